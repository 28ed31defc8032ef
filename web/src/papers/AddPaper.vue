<script setup lang="ts">
import { useSession } from '@/lib/session'
import { computed, defineAsyncComponent, reactive, ref } from 'vue'
import { useRouter } from 'vue-router'
import { api, form, got, type PaperReading, type PhotoLight } from '@/api/client'
import ChoiceList from '@/ui/ChoiceList.vue'
import PictureButton from '@/ui/PictureButton.vue'
import PhotoFrame, { type Box } from '@/ui/PhotoFrame.vue'
import ProgressLine from '@/ui/ProgressLine.vue'
import { useOwnCards } from '@/lib/ownCards'
import { usePictureReading } from '@/lib/reading'
import { percent } from '@/lib/words'
import FoundColour from './FoundColour.vue'
import KnownSwatches from './KnownSwatches.vue'
import PaperCamera from './PaperCamera.vue'
import TheFigure from '@/ui/TheFigure.vue'
import type { Picked } from '@/ui/FindColour.vue'
import { LIGHTS } from './lights'
import Field from '@/ui/Field.vue'

const FindDialog = defineAsyncComponent(() => import('@/ui/FindDialog.vue'))

const session = useSession()

/** A paper from a scan or photo: mark the white card, put the colours right, keep it. */
type Edit = { way: 'merge' | 'split' | 'drop'; places: number[] }
const router = useRouter()
const white = ref<'auto' | 'box' | 'none'>('auto')
const box = ref<Box | null>(null)
const reference = ref(0)
const corners = ref<[number, number][]>()
const width = ref('')
const edits = ref<Edit[]>([])
const pointed = ref<number | null>(null)
const names = reactive<Record<number, string>>({})
const title = ref('')
const collection = ref('My papers') // a collection's own name, where it has one
const references = useOwnCards('a usual white card')
const light = ref<PhotoLight | ''>('')
// Swatches in the picture whose colours are known: with six of them a lamp is undone.
const known = ref<(Box & { colour: number })[]>([])
const drawing = ref<'white' | 'known'>('white')
const pending = ref<Box | null>(null)
const byStrip = ref(true)
const frames = computed(() =>
  (reading.value?.known ?? []).map((one, at) => ({
    key: String(at),
    words: one.swatch.label,
    corners: cornersOf(one.box),
  })),
)
function cornersOf({ left, top, width, height }: Box): [number, number][] {
  const [right, bottom] = [left + width, top + height]
  return [
    [left, top],
    [right, top],
    [right, bottom],
    [left, bottom],
  ]
}
function name(picked: Picked) {
  if (!('swatch' in picked) || !pending.value) return
  known.value = [...known.value, { ...pending.value, colour: picked.swatch.id }]
  pending.value = null
  void read()
}
function leaveStrip() {
  byStrip.value = false
  void read()
}
function forget(at: number) {
  known.value = known.value.filter((_, other) => other !== at)
  void read()
}
const told = (picture: Blob | null) => ({
  file: picture,
  white: white.value,
  box: white.value === 'box' ? box.value : undefined,
  reference: reference.value || undefined,
  corners: corners.value,
  light: light.value || undefined,
  strip: byStrip.value ? ('auto' as const) : ('none' as const),
  known: known.value.length ? known.value : undefined,
  edits: edits.value.length ? edits.value : undefined,
})

const { file, reading, chosen, step, problem, busy, read, take, dropped, toggle, attempt, cancel } =
  usePictureReading<PaperReading>(
    async (picture, ask) => {
      const body = form('/api/papers/read', told(picture))
      const found = await ask<{ reading: PaperReading }>('/api/papers/read', body)
      return found && found.reading
    },
    {
      begin(named) {
        white.value = 'auto'
        corners.value = undefined
        edits.value = []
        known.value = []
        byStrip.value = true
        drawing.value = 'white'
        for (const key of Object.keys(names)) delete names[Number(key)]
        title.value ||= named
      },
      came(found) {
        if (white.value === 'auto') box.value = found.box
      },
    },
  )
function mark(marked: Box) {
  if (drawing.value === 'known') {
    pending.value = marked
    return
  }
  box.value = marked
  white.value = 'box'
  void read()
}
/** The whole picture for a start: its corners are then dragged to those of the sheet. */
function crop() {
  const { width: right, height: bottom } = reading.value!
  const inset = Math.round(Math.min(right, bottom) / 12)
  corners.value = [
    [inset, inset],
    [right - inset, inset],
    [right - inset, bottom - inset],
    [inset, bottom - inset],
  ]
  straighten()
}
function straighten() {
  edits.value = []
  void read()
}
function moveCorner(at: number, place: [number, number]) {
  corners.value = corners.value!.map((corner, n) => (n === at ? place : corner))
  straighten()
}
function edit(way: Edit['way']) {
  edits.value = [...edits.value, { way, places: chosen.value }]
  for (const key of Object.keys(names)) delete names[Number(key)]
  void read()
}
const keep = () =>
  attempt(async () => {
    const made = await got(
      api.POST('/api/papers', {
        body: form('/api/papers', {
          ...told(file.value),
          title: title.value,
          width: width.value,
          collection: collection.value,
          names: reading.value!.colours.map((_, place) => names[place] ?? ''),
        }),
      }),
    )
    await router.push(`/papers/${made.id}`)
  })
</script>

<template>
  <main class="overflow-y-auto p-6 small:p-3" @dragover.prevent @drop.prevent="dropped">
    <RouterLink to="/papers" class="text-xs underline">Papers</RouterLink>
    <h1 class="mt-1 mb-4 text-xl">Add a paper</h1>
    <div class="mb-5 flex flex-wrap items-start gap-5">
      <div class="panel max-w-xl flex-1 p-5">
        <p class="mb-4">
          A scan or a photo (PNG, JPEG, WebP): by the button, dropped here, or pasted. In a photo,
          lay a piece of white card on or beside the sheet: with it the light is corrected for.
          Under a lamp a
          <RouterLink to="/papers/strip" class="underline">strip of known swatches</RouterLink>
          does better.
        </p>
        <PictureButton @file="take">Choose a picture</PictureButton>
      </div>
      <PaperCamera class="min-w-72 flex-1" @taken="take" />
    </div>
    <ProgressLine v-if="step" :step="step" class="mb-4" @cancel="cancel" />
    <p v-if="problem" role="alert" class="mb-4 border-l-2 border-ink pl-3">{{ problem }}</p>
    <div v-if="reading" class="flex flex-wrap gap-6">
      <div class="w-full max-w-[460px]">
        <PhotoFrame
          :src="reading.preview"
          :veil="pointed === null || reading.sheet ? '' : reading.colours[pointed]!.where"
          :corners="corners"
          :width="reading.width"
          :height="reading.height"
          :box="drawing === 'white' ? reading.box : pending"
          :words="drawing === 'white' ? 'the white card' : 'a swatch that I know'"
          :frames="frames"
          @mark="mark"
          @corner="moveCorner"
        />
        <figure v-if="reading.sheet" class="relative mt-3">
          <img :src="reading.sheet" alt="The sheet, straightened" class="w-full" />
          <img
            v-if="pointed !== null"
            :src="reading.colours[pointed]!.where"
            alt=""
            class="absolute inset-0 size-full"
          />
        </figure>
        <p v-if="reading.warning" class="mt-2 border-l-2 border-ink pl-3">{{ reading.warning }}</p>
        <p class="mt-2 text-xs text-soft">
          A picture tells colours only roughly<template v-if="reading.uneven > 1.05"
            >; the light was uneven, which is taken out</template
          >.
          <TheFigure
            tip
            :text="`known to about ΔE ${reading.uncertainty}; light ${reading.uneven.toFixed(2)} times uneven`"
          />
          Drag a frame onto the white card to mark it.
        </p>
        <div v-if="reading.box" class="mt-3 grid gap-3 sm:grid-cols-2">
          <div>
            <span class="label">The light was</span>
            <ChoiceList
              v-model="light"
              label="The light was"
              :options="LIGHTS"
              @update:model-value="read"
            />
          </div>
          <div>
            <span class="label">The frame I draw is on</span>
            <ChoiceList
              v-model="drawing"
              label="The frame I draw is on"
              :options="[
                { value: 'white', words: 'the white card' },
                { value: 'known', words: 'a swatch that I know' },
              ]"
            />
          </div>
          <KnownSwatches
            v-if="reading.known.length || drawing === 'known'"
            :known="reading.known"
            class="sm:col-span-2"
            @forget="forget"
            @leave-strip="leaveStrip"
          />
        </div>
        <div class="mt-3 flex flex-wrap items-end gap-2">
          <button
            type="button"
            class="button"
            @click="
              () => {
                white = 'none'
                read()
              }
            "
          >
            There is no card
          </button>
          <button
            type="button"
            class="button"
            @click="
              () => {
                white = 'auto'
                read()
              }
            "
          >
            Find it again
          </button>
          <button v-if="!corners" type="button" class="button" @click="crop">
            Straighten it by its corners
          </button>
          <button
            v-else
            type="button"
            class="button"
            @click="
              () => {
                corners = undefined
                straighten()
              }
            "
          >
            The whole picture is the sheet
          </button>
          <div v-if="reading.box" class="w-60">
            <span class="label">The card is</span>
            <ChoiceList
              v-model="reference"
              label="The card is"
              :options="references"
              @update:model-value="read"
            />
          </div>
        </div>
      </div>
      <section class="min-w-80 flex-1" aria-labelledby="found-colours">
        <h2 id="found-colours" class="mb-2 text-base">
          {{ reading.colours.length }} colours found
        </h2>
        <div class="mb-2 flex flex-wrap gap-2">
          <button type="button" class="button" :disabled="chosen.length < 2" @click="edit('merge')">
            Merge
          </button>
          <button
            type="button"
            class="button"
            :disabled="chosen.length !== 1"
            @click="edit('split')"
          >
            Split
          </button>
          <button type="button" class="button" :disabled="!chosen.length" @click="edit('drop')">
            Drop
          </button>
          <button
            type="button"
            class="button"
            :disabled="!edits.length"
            @click="
              () => {
                edits = edits.slice(0, -1)
                read()
              }
            "
          >
            Undo
          </button>
        </div>
        <ul class="mb-5 space-y-1.5">
          <FoundColour
            v-for="(colour, place) in reading.colours"
            :key="place"
            v-model:name="names[place]"
            :colour="colour"
            :share="percent(colour.share)"
            :chosen="chosen.includes(place)"
            @toggle="toggle(place)"
            @point="pointed = place"
            @leave="pointed = null"
          />
        </ul>
        <form class="panel grid gap-3 p-4 sm:grid-cols-2" @submit.prevent="keep">
          <Field label="Title of the sheet">
            <input v-model="title" class="input" required maxlength="120" />
          </Field>
          <Field label="Collection">
            <input v-model="collection" class="input" required :maxlength="session.limits?.name" />
          </Field>
          <Field label="Width of what it shows (or later)">
            <input
              v-model="width"
              class="input"
              :placeholder="session.person?.units === 'mm' ? '305 mm' : '12 in'"
            />
          </Field>
          <button
            type="submit"
            class="button button-main self-end justify-self-start"
            :disabled="!!step || busy"
          >
            Put it on the shelf
          </button>
        </form>
      </section>
    </div>
    <FindDialog
      v-if="pending"
      act="say that the swatch is of it"
      @close="pending = null"
      @pick="name"
    />
  </main>
</template>
