<script setup lang="ts">
import { computed, onMounted, ref, shallowRef, watch } from 'vue'
import { useRoute } from 'vue-router'
import { api, got, type Colourway, type ColourwaysLine as Line } from '@/api/client'
import { follow } from '@/api/stream'
import { useCard } from '@/card/card'
import DeskCard from '@/drawing/DeskCard.vue'
import { useFetched } from '@/lib/fetched'
import { useNotices } from '@/lib/notices'
import { useOnlyOwned } from '@/lib/owned'
import { useSession } from '@/lib/session'
import NothingHere from '@/ui/NothingHere.vue'
import ChoiceList from '@/ui/ChoiceList.vue'
import OnOff from '@/ui/OnOff.vue'
import { plural } from '@/lib/words'
import ViewSwitch from '@/ui/ViewSwitch.vue'
import ColourwayCard from './ColourwayCard.vue'
import HeldThings from './HeldThings.vue'

/** A card in other colours, side by side as whole predicted cards; each can be taken as a card of its own. */
const route = useRoute()
const store = useCard()
const session = useSession()
const notices = useNotices()
const id = computed(() => Number(route.params.id))
watch(id, (card) => card && void store.open(card), { immediate: true })
watch(
  () => store.card?.name,
  (name) => name && (document.title = `Other colours · ${name} · Jindle`),
)
const { data: choices } = useFetched([id], () =>
  got(api.GET('/api/cards/{id}/colourways', { params: { path: { id: id.value } } })),
)
const step = computed({
  get: () => choices.value?.bold.findIndex((one) => one.value === bold.value) ?? 0,
  set: (at) => (bold.value = choices.value!.bold[at]!.value),
})
const taken = ref(new Map<Colourway, number>())
const together = ref(0)
const like = ref('')
const held = ref<string[]>([])
// What has a colour by nature keeps it, until it is freed.
const freed = ref<string[]>([])
const things = computed({
  get: () =>
    (choices.value?.things ?? [])
      .map((one) => one.value)
      .filter((one) => !freed.value.includes(one)),
  set: (kept) =>
    (freed.value = choices
      .value!.things.map((one) => one.value)
      .filter((one) => !kept.includes(one))),
})
const bold = ref(1)
const owned = useOnlyOwned('colourways')
const found = shallowRef<Colourway[]>([])
const busy = ref(false)
const leftOut = ref<{ broken: { title: string; count: number }[]; alike: number } | null>(null)
const problem = ref('')
const asked = computed(() => ({
  held: held.value,
  things: freed.value.length ? things.value : undefined,
  bold: bold.value,
  owned: owned.value,
  like: like.value,
}))
const likes = computed(() => [
  { value: '', words: 'anything that suits' },
  ...(choices.value?.like ?? []).map(({ key, words }) => ({ value: key, words })),
])
let stop: AbortController | null = null
async function look() {
  stop?.abort()
  const mine = (stop = new AbortController())
  found.value = []
  leftOut.value = null
  busy.value = true
  problem.value = ''
  try {
    await follow<Line>(
      `/api/cards/${id.value}/colourways`,
      asked.value,
      (line) => {
        if (line.colourway) found.value = [...found.value, line.colourway]
        if (line.broken) leftOut.value = { broken: line.broken, alike: line.alike ?? 0 }
      },
      mine.signal,
    )
  } catch (error) {
    if (!mine.signal.aborted) problem.value = error instanceof Error ? error.message : String(error)
  } finally {
    if (stop === mine) busy.value = false
  }
}
onMounted(look)
watch(asked, look)

async function take(one: Colourway) {
  try {
    const { scheme, turn, choice, words } = one
    const took = one.like
    // A second one of the same kind is told apart by a number.
    const same = [...taken.value.keys()].filter((other) => other.words === words).length
    const named = `${store.card!.name}, ${words}${same ? ` ${same + 1}` : ''}`
    const name = named.slice(-(session.limits?.name ?? named.length))
    const body = { ...asked.value, scheme, turn, choice, name, took } as never
    const made = await got(
      api.POST('/api/cards/{id}/colourways/take', { params: { path: { id: id.value } }, body }),
    )
    taken.value.set(one, made.id)
    together.value = made.set
  } catch (error) {
    notices.fail(error)
  }
}
</script>

<template>
  <NothingHere v-if="store.missing" />
  <main v-else-if="!store.card" class="p-6 text-soft">Fetching the card …</main>
  <main v-else class="overflow-y-auto p-6 small:p-3">
    <header class="head">
      <RouterLink :to="`/cards/${id}/palette`" class="button">Back to the card</RouterLink>
      <h1 class="min-w-0 flex-1 text-xl max-sm:order-first max-sm:basis-full">
        {{ store.card.name }} in other colours
      </h1>
      <ViewSwitch />
    </header>
    <div class="mb-4 flex flex-wrap items-center gap-x-6 gap-y-3">
      <OnOff v-model="owned">Only from my drawer</OnOff>
      <label v-if="choices" class="flex items-center gap-2">
        How bold
        <input
          v-model.lazy.number="step"
          type="range"
          min="0"
          :max="choices.bold.length - 1"
          class="w-28"
          :aria-valuetext="choices.bold[step]?.words"
        />
        <span class="w-16 text-xs">{{ choices.bold[step]?.words }}</span>
      </label>
      <span class="flex items-center gap-2">
        Go by
        <ChoiceList v-model="like" class="w-[260px]" label="Go by" :options="likes" />
      </span>
      <RouterLink v-if="together" :to="`/cards/sets/${together}`" class="button button-main">
        Open the set
      </RouterLink>
      <HeldThings
        v-if="choices"
        v-model:held="held"
        v-model:things="things"
        :options="choices.holdable"
        :keepers="choices.things"
      />
    </div>
    <p v-if="problem" role="alert" class="mb-3 border-l-2 border-ink pl-3">{{ problem }}</p>
    <p class="mb-3 text-soft" role="status">
      <template v-if="busy">Turning hues, landing them on supplies …</template>
      <template v-else-if="leftOut && (leftOut.broken.length || leftOut.alike)">
        {{ plural(found.length, 'proposal') }}.
        <template v-if="leftOut.alike"
          >{{ plural(leftOut.alike, 'other') }} would look much like one of these, or like the card
          itself.</template
        >
        <template v-if="leftOut.broken.length">
          Left out is what would break:
          {{
            leftOut.broken
              .map(({ title, count }) => `${title}${count > 1 ? ` (${count} times)` : ''}`)
              .join('; ')
          }}.
        </template>
      </template>
    </p>
    <ul class="grid grid-cols-[repeat(auto-fill,minmax(260px,1fr))] gap-4">
      <li class="panel overflow-hidden">
        <div class="h-52 bg-wall p-3">
          <DeskCard :desk="store.card.desk" :words="`${store.card.name}, as it is`" />
        </div>
        <div class="p-3">
          <h2 class="text-base">As it is</h2>
          <p class="text-xs text-soft">
            What follows keeps which is lighter than which; in greys they look alike.
          </p>
        </div>
      </li>
      <ColourwayCard
        v-for="(one, n) in found"
        :key="n"
        :one="one"
        :name="store.card.name"
        :taken="taken.get(one)"
        @take="take(one)"
      />
    </ul>
  </main>
</template>
