<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { api, form, got, type PhotoLight, type Swatch, type SwatchesRead } from '@/api/client'
import { useFetched } from '@/lib/fetched'
import { isLaid, useLaid } from '@/lib/laid'
import { useNotices } from '@/lib/notices'
import { useOwnCards } from '@/lib/ownCards'
import { usePictureReading } from '@/lib/reading'
import { plural } from '@/lib/words'
import AppDialog from '@/ui/AppDialog.vue'
import ChoiceList from '@/ui/ChoiceList.vue'
import PictureButton from '@/ui/PictureButton.vue'
import FindColour, { type Picked } from '@/ui/FindColour.vue'
import LaidFields from '@/ui/LaidFields.vue'
import PhotoFrame, { type Box } from '@/ui/PhotoFrame.vue'
import ProgressLine from '@/ui/ProgressLine.vue'
import TabLinks from '@/ui/TabLinks.vue'
import ChartCamera from './ChartCamera.vue'
import ChartChoice from './ChartChoice.vue'
import type { ChartPage } from './chartPage'
import ReadSwatch from './ReadSwatch.vue'
import { LIGHTS } from '@/papers/lights'
import TheFigure from '@/ui/TheFigure.vue'

/** Swatches out of a photograph: of a printed chart, or any that are marked in the picture. */
type Marked = Box & { colour: number }
const route = useRoute()
const router = useRouter()
const notices = useNotices()
const marking = computed(() => route.query.way === 'marked')
const tabs = computed(() => [
  {
    to: { query: { ...route.query, way: 'chart' } },
    words: 'A printed chart',
    here: !marking.value,
  },
  {
    to: { query: { ...route.query, way: 'marked' } },
    words: 'Swatches that I mark',
    here: marking.value,
  },
])
const { data: ranges } = useFetched([], () => got(api.GET('/api/ranges')))
const chart = ref<ChartPage>({
  range: Number(route.query.range) || 0,
  owned: false,
  sheet: 'letter',
  page: 1,
})
watch(ranges, (now) => {
  if (!chart.value.range && now?.length) chart.value.range = now[0]!.id
})

const white = ref<Box | null>(null)
const whiteCard = ref(0)
const grey = ref(false)
const greyBox = ref<Box | null>(null)
const greyCard = ref(0)
const light = ref<PhotoLight | ''>('')
const marked = ref<Marked[]>([])
const active = ref<'swatch' | 'white' | 'grey'>('swatch')
const pending = ref<Box | null>(null)
const pointed = ref('')
const laid = useLaid()
const whites = useOwnCards('a usual white card')
const greys = useOwnCards('a usual grey card')
const WORDS = { swatch: 'a swatch', white: 'the white card', grey: 'the grey card' }

const {
  reading,
  chosen: left,
  step,
  problem,
  read,
  take,
  dropped,
  toggle,
  attempt,
  cancel,
} = usePictureReading<SwatchesRead>(
  async (file, ask) => {
    const which = marking.value
      ? {
          patches: JSON.stringify(marked.value),
          white: white.value ?? undefined,
          grey_box: greyBox.value ?? undefined,
        }
      : { ...chart.value, grey: grey.value }
    const body = form('/api/swatches/read', {
      file,
      white_card: whiteCard.value || undefined,
      grey_card: greyCard.value || undefined,
      light: light.value || undefined,
      ...which,
    })
    const found = await ask<{ read: SwatchesRead }>('/api/swatches/read', body)
    return found && found.read
  },
  {
    begin() {
      reading.value = white.value = greyBox.value = null
      marked.value = []
      active.value = 'swatch'
    },
    came(found) {
      left.value = found.swatches.flatMap((one, at) => (one.bare || one.uneven ? [at] : []))
    },
  },
)
function mark(box: Box) {
  if (active.value === 'swatch') {
    pending.value = box
    return
  }
  if (active.value === 'white') white.value = box
  else greyBox.value = box
  void read()
}
function name(picked: Picked) {
  if (!('swatch' in picked) || !pending.value) return
  marked.value = [...marked.value, { ...pending.value, colour: picked.swatch.id }]
  pending.value = null
  void read()
}
function unmark(at: number) {
  marked.value = marked.value.filter((_, other) => other !== at)
  void read()
}
const box = computed(
  () => ({ swatch: pending.value, white: white.value, grey: greyBox.value })[active.value],
)
const frames = computed(() =>
  (reading.value?.swatches ?? []).map((one, at) => ({
    key: String(at),
    words: one.swatch.label,
    corners: one.corners as [number, number][],
  })),
)
const chosen = computed(
  () => reading.value?.swatches.filter((_, at) => !left.value.includes(at)) ?? [],
)
const onCard = computed(() =>
  chosen.value.some((one) => isLaid(one.swatch.medium as Swatch['medium'])),
)

const keep = () =>
  attempt(async () => {
    const readings = chosen.value.map((one) => ({ colour: one.swatch.id, lab: one.lab }))
    const body = { readings, simulated: reading.value!.simulated, note: '', ...laid.told() }
    const { count } = await got(api.POST('/api/swatches/keep', { body }))
    const how = body.simulated ? 'simulated' : 'photographed'
    notices.show(`${plural(count, 'reading')} kept, ${how}.`)
    await router.push(`/supplies/${chosen.value[0]!.swatch.range_id}`)
  })
</script>

<template>
  <main class="overflow-y-auto p-6 small:p-3" @dragover.prevent @drop.prevent="dropped">
    <RouterLink to="/supplies" class="text-xs underline">Supplies</RouterLink>
    <header class="head">
      <h1 class="text-xl">Swatches from a photo</h1>
      <TabLinks :tabs="tabs" label="What is photographed" />
    </header>
    <div class="mb-5 flex flex-wrap items-stretch gap-5">
      <section class="panel max-w-2xl min-w-80 flex-1 p-5" aria-label="The picture">
        <template v-if="!marking">
          <p class="mb-3">
            Print a chart from the range’s page, fill its boxes, lay it flat in even light, and
            photograph the whole page with its four corner marks. The bare card in its white field
            takes the lamp out.
          </p>
          <ChartChoice v-model="chart" :ranges="ranges ?? []" class="mb-4" />
        </template>
        <p v-else class="mb-4">
          Any page of swatches with a piece of white card in the picture. Choose the picture, then
          draw a frame on each swatch and say which colour it is. A
          <RouterLink to="/papers/strip" class="underline">strip of known swatches</RouterLink>
          beside them undoes a lamp.
        </p>
        <PictureButton @file="take">Choose a picture</PictureButton>
        <span class="ml-3 text-xs text-soft">or drop or paste one</span>
      </section>
      <ChartCamera
        v-if="ranges"
        v-model:grey="grey"
        :chart="chart"
        class="min-w-72 flex-1"
        @taken="take"
      />
    </div>
    <ProgressLine v-if="step" :step="step" class="mb-4" @cancel="cancel" />
    <p v-if="problem" role="alert" class="mb-4 border-l-2 border-ink pl-3">{{ problem }}</p>
    <div v-if="reading" class="flex flex-wrap gap-6">
      <div class="w-full max-w-[460px]">
        <PhotoFrame
          :src="reading.preview"
          :width="reading.width"
          :height="reading.height"
          :box="marking ? box : null"
          :words="WORDS[active]"
          :frames="frames"
          :pointed="pointed"
          @mark="(drawn) => marking && mark(drawn)"
          @point="(key) => (pointed = key)"
        />
        <div v-if="marking" class="mt-3 grid gap-3 sm:grid-cols-2">
          <div>
            <span class="label">The frame I draw is on</span>
            <ChoiceList
              v-model="active"
              label="The frame I draw is on"
              :options="[
                { value: 'swatch', words: 'a swatch' },
                { value: 'white', words: 'the white card' },
                { value: 'grey', words: 'the grey card' },
              ]"
            />
          </div>
        </div>
        <div class="mt-3 grid gap-3 sm:grid-cols-2">
          <div>
            <span class="label">The white is</span>
            <ChoiceList
              v-model="whiteCard"
              label="The white is"
              :options="whites"
              @update:model-value="read"
            />
          </div>
          <div>
            <span class="label">The light was</span>
            <ChoiceList
              v-model="light"
              label="The light was"
              :options="LIGHTS"
              @update:model-value="read"
            />
          </div>
          <div v-if="greyBox || (grey && !marking)">
            <span class="label">The grey is</span>
            <ChoiceList
              v-model="greyCard"
              label="The grey is"
              :options="greys"
              @update:model-value="read"
            />
          </div>
        </div>
        <p v-if="marking && !reading.white" class="mt-3 border-l-2 border-ink pl-3">
          No white card was found by itself: choose “the white card” above and draw a frame on it.
        </p>
      </div>
      <section class="min-w-80 flex-1" aria-labelledby="read-swatches">
        <h2 id="read-swatches" class="mb-1 text-base">
          {{ plural(reading.swatches.length, 'swatch', 'swatches') }} read
        </h2>
        <p class="mb-2 text-xs text-soft">
          Left as photographed, right as known until now. A photograph tells colours only roughly; a
          reader does better.
          <TheFigure tip :text="`good to about ΔE ${reading.uncertainty}`" />
        </p>
        <p v-if="reading.strip" class="mb-2 text-xs">
          Your strip of known swatches was found by itself.
        </p>
        <p v-if="reading.warning" class="mb-3 border-l-2 border-ink pl-3">{{ reading.warning }}</p>
        <p v-if="!reading.swatches.length" class="mb-3">Draw a frame on a swatch in the picture.</p>
        <ul class="mb-5 grid grid-cols-[repeat(auto-fill,minmax(250px,1fr))] gap-x-5 gap-y-1.5">
          <ReadSwatch
            v-for="(one, at) in reading.swatches"
            :key="at"
            :read="one"
            :taken="!left.includes(at)"
            :pointed="pointed === String(at)"
            :removable="marking"
            @toggle="toggle(at)"
            @point="pointed = String(at)"
            @remove="unmark(at)"
          />
        </ul>
        <form
          v-if="reading.swatches.length"
          class="panel max-w-xl space-y-3 p-4"
          @submit.prevent="keep"
        >
          <LaidFields
            v-if="onCard"
            v-model:layers="laid.layers.value"
            v-model:hand="laid.hand.value"
            v-model:paper="laid.paper.value"
            v-model:below="laid.below.value"
            :papers="laid.papers.value"
          />
          <button type="submit" class="button button-main" :disabled="!chosen.length || !!step">
            Keep {{ plural(chosen.length, 'reading') }}
          </button>
        </form>
      </section>
    </div>
    <AppDialog v-if="pending" title="Which colour is this swatch of?" @close="pending = null">
      <FindColour act="say it is this one" @leave="pending = null" @pick="name" />
    </AppDialog>
  </main>
</template>
