<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import type { Build, Piece } from '@/api/client'
import { cutShapeValues, sideValues } from '@/api/schema'
import { choices, inWords } from '@/lib/words'
import ChoiceList from '@/ui/ChoiceList.vue'
import OnOff from '@/ui/OnOff.vue'
import { api, ApiError, form, got } from '@/api/client'
import FileButton from '@/ui/FileButton.vue'
import { typedDegrees, useBuild, type Fields } from './build'

/** To which shape a piece is cut, what opens it to a frame, and how it is turned. */
const { piece, build } = defineProps<{ piece: Piece; build: Build }>()
const { store, edit } = useBuild()
const set = (told: Fields) => edit(piece.key, told)
const ITSELF = 'itself'
const OWN = 'own'
type Shape = (typeof cutShapeValues)[number]
const carriesWords = computed(() =>
  [...build.pieces, ...build.inside].some(
    (one) => one.on === piece.key && one.kind === 'cut-words',
  ),
)
const shapes = computed(() => [
  ...(piece.own ? [{ value: OWN, words: 'an outline of your own' }] : []),
  {
    value: ITSELF,
    words: piece.reveal ? 'as what it lies on' : 'rectangle, sharp',
  },
  ...choices(
    cutShapeValues.filter(
      (one) =>
        (piece.reveal || one !== 'rectangle') &&
        (one !== 'letters' || carriesWords.value || piece.shape === one),
    ),
  ),
])
const openings = [
  { value: ITSELF, words: 'of its own shape' },
  ...choices(cutShapeValues.filter((one) => one !== 'letters')),
]
const said = (value: string) => (value === ITSELF ? null : (value as Shape))
const hasSides = computed(() => piece.shape !== null && build.borders.includes(piece.shape))
function side(one: (typeof sideValues)[number], on: boolean) {
  const rest = piece.sides.filter((each) => each !== one)
  return set({ sides: on ? [...rest, one] : rest })
}
const turn = ref('')
const rim = ref('')
// Each for itself: the answer about one does not take away what is being typed into the other.
watch(
  () => [piece.key, piece.turn] as const,
  ([, degrees]) => (turn.value = degrees ? String(degrees) : ''),
  { immediate: true },
)
watch(
  () => [piece.key, piece.rim] as const,
  ([, left]) => (rim.value = left ?? ''),
  { immediate: true },
)
function turnBy() {
  const degrees = typedDegrees(turn.value)
  if (degrees === null) turn.value = String(piece.turn)
  else void set({ turn: degrees })
}
const notes = ref<string[]>([])
/** An outline of one's own: as large as its file says, else as wide as the piece is and in its proportions. */
async function cutTo(file: File) {
  notes.value = []
  try {
    const size = { width: piece.width, unit: store.card!.size.unit }
    const body = form('/api/outlines', { file, ...size })
    const found = await got(api.POST('/api/outlines', { body }))
    await set({ own: found.ring, width: found.width, height: found.height })
    notes.value = [
      ...(found.measured
        ? []
        : ['The file does not say how large it is: it is as wide as the piece was.']),
      ...found.notes,
    ]
  } catch (error) {
    notes.value = [error instanceof ApiError ? error.message : String(error)]
  }
}
const open = (shape: Shape | null, left = rim.value) => set({ opening: { rim: left, shape } })
</script>

<template>
  <div class="grid grid-cols-2 gap-3">
    <template v-if="piece.shaped">
      <div>
        <span class="label">Cut to</span>
        <ChoiceList
          :model-value="piece.own ? OWN : (piece.shape ?? ITSELF)"
          label="Cut to"
          :options="shapes"
          @update:model-value="$event !== OWN && set({ shape: said($event) })"
        />
      </div>
    </template>
    <div>
      <label class="label" :for="`turn-${piece.key}`">Turned by, degrees</label>
      <input
        :id="`turn-${piece.key}`"
        v-model="turn"
        class="input"
        inputmode="decimal"
        placeholder="0"
        @change="turnBy"
      />
    </div>
    <template v-if="piece.shaped">
      <div class="col-span-2 flex flex-wrap items-center gap-2">
        <FileButton accept=".svg,image/svg+xml" @file="cutTo"
          >An outline of your own (SVG) …</FileButton
        >
        <p v-for="note in notes" :key="note" role="status" class="text-xs text-soft">{{ note }}</p>
      </div>
      <fieldset v-if="hasSides" class="col-span-2 flex flex-wrap gap-x-4 gap-y-1">
        <legend class="label">On these sides</legend>
        <OnOff
          v-for="one in sideValues"
          :key="one"
          :model-value="piece.sides.includes(one)"
          @update:model-value="side(one, $event)"
          >{{ inWords(one) }}</OnOff
        >
      </fieldset>
      <OnOff :model-value="piece.stitched" @update:model-value="set({ stitched: $event })"
        >Stitched along its edge</OnOff
      >
      <OnOff
        :model-value="piece.rim !== null"
        @update:model-value="$event ? open(null, build.edge) : set({ opening: null })"
        >Open, as a frame</OnOff
      >
      <template v-if="piece.rim !== null">
        <div>
          <span class="label">Its opening</span>
          <ChoiceList
            :model-value="piece.opening_shape ?? ITSELF"
            label="Its opening"
            :options="openings"
            @update:model-value="open(said($event))"
          />
        </div>
        <div>
          <label class="label" :for="`rim-${piece.key}`">Rim left around it</label>
          <input
            :id="`rim-${piece.key}`"
            v-model="rim"
            class="input"
            @change="open(piece.opening_shape)"
          />
        </div>
      </template>
    </template>
  </div>
</template>
