<script setup lang="ts">
import { computed, provide, ref, watch } from 'vue'
import { useRouter } from 'vue-router'
import { api, form, got, type Brought } from '@/api/client'
import FollowerRow from '@/card/following/FollowerRow.vue'
import DeskCard from '@/drawing/DeskCard.vue'
import { PATTERNS } from '@/drawing/patterns'
import { useFetched } from '@/lib/fetched'
import { useNotices } from '@/lib/notices'
import { useSession } from '@/lib/session'
import { plural } from '@/lib/words'
import OnOff from '@/ui/OnOff.vue'
import Field from '@/ui/Field.vue'

/** A recipe as it would be in one's own supplies; nothing is kept before a card is started from it. */
const { source } = defineProps<{ source: { file: File } | { token: string } }>()
const notices = useNotices()
const router = useRouter()
const session = useSession()
// Of the drawer, until something else is said; of an empty one that is nothing.
const said = ref<boolean>()
const owned = computed({
  get: () => said.value ?? last.value?.owned ?? true,
  set: (value) => (said.value = value),
})
const name = ref('')
const starting = ref(false)
const last = ref<Brought | null>(null)
provide(
  PATTERNS,
  computed(() => last.value?.patterns),
)
const asked = () => (said.value === undefined ? {} : { owned: said.value })
const { data, problem, busy } = useFetched([said], () =>
  got(api.POST('/api/recipes', { body: form('/api/recipes', { ...source, ...asked() }) })),
)
watch(data, (found) => {
  if (!found) return
  if (!last.value) name.value = found.name
  last.value = found
})
const moving = computed(() => last.value?.followers.filter((one) => !one.fixed) ?? [])
const left = computed(() => last.value?.followers.filter((one) => one.fixed) ?? [])

async function start() {
  starting.value = true
  try {
    const body = form('/api/recipes/cards', { ...source, ...asked(), name: name.value })
    const card = await got(api.POST('/api/recipes/cards', { body }))
    await router.push(`/cards/${card.id}/palette`)
  } catch (error) {
    notices.fail(error)
  } finally {
    starting.value = false
  }
}
</script>

<template>
  <p v-if="problem" role="alert" class="border-l-2 border-ink pl-3">{{ problem }}</p>
  <p v-else-if="!last" class="text-soft">Seeing how it would be in your supplies …</p>
  <div v-else :class="busy && 'opacity-60'">
    <form class="mb-4 flex flex-wrap items-end gap-3" @submit.prevent="start">
      <span class="min-w-48 flex-1">
        <Field label="What your card is called">
          <input v-model="name" class="input" required :maxlength="session.limits?.name" />
        </Field>
      </span>
      <OnOff v-model="owned">Only from my drawer</OnOff>
      <button type="submit" class="button button-main" :disabled="busy || starting">
        Start my card from it
      </button>
    </form>
    <div class="mb-4 grid gap-4 sm:grid-cols-2">
      <figure v-for="side in ['before', 'after'] as const" :key="side" class="panel bg-wall p-3">
        <figcaption class="mb-2 text-sm font-semibold">
          {{ side === 'before' ? 'As it is told' : 'In your supplies, as predicted' }}
        </figcaption>
        <div class="h-72"><DeskCard :desk="last[side]" :words="`${last.name}, ${side}`" /></div>
      </figure>
    </div>
    <p class="mb-2">
      {{ last.size }}. Of {{ plural(last.supplies, 'supply', 'supplies') }} that it names
      {{ last.same }} {{ last.same === 1 ? 'is' : 'are' }} among yours.
      <template v-if="last.drawings.length">
        With it
        {{ last.drawings.length === 1 ? 'comes the line drawing' : 'come the line drawings' }}
        {{ last.drawings.join(', ') }}.
      </template>
    </p>
    <p v-if="!last.gives_way.length" class="mb-2">
      {{ plural(last.held, 'check') }} held there, and {{ last.held === 1 ? 'it does' : 'all do' }}
      here.
    </p>
    <section v-else aria-labelledby="gives-way" class="mb-3">
      <h2 id="gives-way" class="mb-1 text-base">
        What gives way: {{ last.gives_way.length }} of {{ plural(last.held, 'check') }} that held
      </h2>
      <ul class="list-disc pl-5">
        <li v-for="(one, n) in last.gives_way" :key="n">
          <b>{{ one.title }}:</b> {{ one.words }}
        </li>
      </ul>
    </section>
    <ul v-if="last.otherwise.length" class="mb-3 list-disc pl-5" aria-label="Otherwise than it was">
      <li v-for="one in last.otherwise" :key="one.title">
        <b>{{ one.title }}:</b> {{ one.words }}
      </li>
    </ul>
    <p v-if="left.length" class="mb-3">
      <b>Nothing of yours is like it, so it is left as a value or left out:</b>
      {{ left.map((one) => `${one.words} (${one.note})`).join('; ') }}.
    </p>
    <details v-if="last.lacking.length" class="mb-3">
      <summary class="cursor-pointer">
        {{ plural(last.lacking.length, 'supply', 'supplies') }} that it would use and you would have
        to get
      </summary>
      <p class="mt-1">{{ last.lacking.join(', ') }}</p>
    </details>
    <section v-if="moving.length" aria-labelledby="takes-place">
      <h2 id="takes-place" class="mb-2 text-base">What takes the place of what</h2>
      <ul class="mb-4 grid gap-1.5 sm:grid-cols-2 xl:grid-cols-3">
        <FollowerRow v-for="one in moving" :key="one.id" :one="one" />
      </ul>
    </section>
    <section v-if="last.pictures.length" aria-labelledby="shown">
      <h2 id="shown" class="mb-2 text-base">Pictures that came with it</h2>
      <ul class="flex flex-wrap gap-3">
        <li v-for="(one, n) in last.pictures" :key="n">
          <img :src="one.address" :alt="`${last.name}, ${one.words}`" class="h-40" />
          <span class="text-xs text-soft">{{ one.words }}</span>
        </li>
      </ul>
    </section>
  </div>
</template>
