<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { api, got } from '@/api/client'
import StartCard from '@/cards/StartCard.vue'
import type { Size } from '@/cards/SizeFields.vue'
import { useFetched } from '@/lib/fetched'
import { useSession } from '@/lib/session'
import { useShelf } from '@/lib/shelf'
import { percent } from '@/lib/words'
import MeasureSheet from './MeasureSheet.vue'
import NothingHere from '@/ui/NothingHere.vue'
import TheFigure from '@/ui/TheFigure.vue'
import ColourMenu from '@/ui/ColourMenu.vue'

/** One sheet: its colours, and the palette that grows from it. */
const route = useRoute()
const router = useRouter()
const session = useSession()
const id = computed(() => Number(route.params.id))
const {
  data: paper,
  missing,
  refresh,
} = useFetched(id, () => got(api.GET('/api/papers/{id}', { params: { path: { id: id.value } } })))
const taken = ref<number[]>([])
const starting = ref(false)
const measuring = ref(false)

watch(paper, (now) => {
  if (!now) return
  document.title = `${now.title} · Jindle`
  taken.value = now.colours.map((colour) => colour.id)
})

function toggle(colour: number) {
  taken.value = taken.value.includes(colour)
    ? taken.value.filter((one) => one !== colour)
    : [...taken.value, colour]
}
const start = (card: { name: string; size: Size }) =>
  got(
    api.POST('/api/papers/{id}/start', {
      params: { path: { id: id.value } },
      body: { ...card, colours: taken.value },
    }),
  )
const shelf = useShelf('papers')
const itself = computed(() => ({ id: id.value, name: paper.value!.title }))
async function remove() {
  const gone = itself.value // what is on screen is another after the next line
  await router.push('/papers')
  await shelf.remove(gone)
}
</script>

<template>
  <NothingHere v-if="missing" />
  <main v-else-if="paper" class="overflow-y-auto p-6 small:p-3">
    <RouterLink to="/papers" class="text-xs underline">Papers</RouterLink>
    <header class="mt-1 mb-5 flex flex-wrap items-start gap-4">
      <div class="min-w-0 flex-1">
        <h1 class="text-xl small:text-lg">{{ paper.title }}</h1>
        <p class="text-soft">
          <RouterLink :to="`/supplies/${paper.range_id}`" class="underline">{{
            paper.collection
          }}</RouterLink><b v-if="paper.simulated">, simulated</b>
        </p>
      </div>
      <button v-if="paper.own" type="button" class="button" @click="measuring = true">
        {{ paper.width ? `${paper.width} wide …` : 'How wide is it? …' }}
      </button>
      <p v-else-if="paper.width" class="py-1.5 text-soft">{{ paper.width }} wide</p>
      <button
        v-if="paper.own"
        type="button"
        class="button"
        @click="shelf.putBy(itself, !paper.put_by)"
      >
        {{ paper.put_by ? 'Back on the shelf' : 'Put it by' }}
      </button>
      <button v-if="paper.own" type="button" class="button" @click="remove">Delete</button>
    </header>
    <div class="flex flex-wrap gap-8">
      <img
        :src="`/api/papers/${paper.id}/picture?view=${session.view}`"
        :alt="`The sheet ${paper.title}`"
        class="max-h-[560px] w-full max-w-[440px] self-start object-contain"
      />
      <section class="min-w-72 flex-1" aria-labelledby="its-colours">
        <h2 id="its-colours" class="mb-2 text-base">Its colours</h2>
        <ul class="mb-4 max-w-[560px] divide-y divide-line">
          <li
            v-for="colour in paper.colours"
            :key="colour.id"
            class="flex items-center gap-4 py-1.5"
          >
            <input
              type="checkbox"
              class="size-4 accent-ink"
              :checked="taken.includes(colour.id)"
              :aria-label="`Take ${colour.label} into the palette`"
              @change="toggle(colour.id)"
            />
            <span
              class="h-10 w-20 shrink-0 border"
              :class="colour.provenance === 'read' ? 'border-line' : 'border-dashed border-edge'"
              :style="{ background: colour.shades[session.view] }"
            />
            <span class="min-w-0 flex-1">
              <RouterLink :to="`/match/${colour.id}`" class="font-semibold underline">{{
                colour.label
              }}</RouterLink>
              <span class="block text-xs text-soft"
                >{{ colour.hue_name }}, {{ colour.provenance_words }}
                <TheFigure :text="`within ΔE ${colour.uncertainty}`"
              /></span>
            </span>
            <b v-if="colour.share">{{ percent(colour.share) }}</b>
            <ColourMenu compact :swatch="colour" @changed="refresh" />
          </li>
        </ul>
        <button
          type="button"
          class="button button-main"
          :disabled="!taken.length"
          @click="starting = true"
        >
          Start a palette from it
        </button>
        <p class="mt-2 max-w-[560px] text-xs text-soft">
          Roles are proposed from share and contrast; greys that suit its temperature and, where
          none of its own colours reads on it, a lettering colour come along.
        </p>
      </section>
    </div>
    <StartCard
      v-if="starting"
      title="Start a palette from it"
      :suggested="paper.title"
      :start="start"
      @close="starting = false"
    />
    <MeasureSheet
      v-if="measuring"
      :paper="paper"
      @measured="
        () => {
          measuring = false
          refresh()
        }
      "
      @close="measuring = false"
    />
  </main>
  <main v-else class="p-6 text-soft">Fetching the sheet …</main>
</template>
