<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import type { Build, Piece } from '@/api/client'
import { cutShapeValues, sideValues } from '@/api/schema'
import { choices, inWords } from '@/lib/words'
import ChoiceList from '@/ui/ChoiceList.vue'
import OnOff from '@/ui/OnOff.vue'
import { useBuild, type Fields } from './build'

/** To which shape a piece is cut, what opens it to a frame, and how it is turned. */
const { piece, build } = defineProps<{ piece: Piece; build: Build }>()
const { edit } = useBuild()
const set = (told: Fields) => edit(piece.key, told)
const ITSELF = 'itself'
type Shape = (typeof cutShapeValues)[number]
const shapes = computed(() => [
  {
    value: ITSELF,
    words: piece.reveal ? 'as what it lies on' : 'rectangle, sharp',
  },
  ...choices(cutShapeValues.filter((one) => piece.reveal || one !== 'rectangle')),
])
const openings = [{ value: ITSELF, words: 'of its own shape' }, ...choices(cutShapeValues)]
const said = (value: string) => (value === ITSELF ? null : (value as Shape))
const hasSides = computed(() => piece.shape !== null && build.borders.includes(piece.shape))
function side(one: (typeof sideValues)[number], on: boolean) {
  const rest = piece.sides.filter((each) => each !== one)
  return set({ sides: on ? [...rest, one] : rest })
}
const turn = ref('')
const rim = ref('')
watch(
  () => [piece.key, piece.turn, piece.rim] as const,
  ([, degrees, left]) => {
    turn.value = degrees ? String(degrees) : ''
    rim.value = left ?? ''
  },
  { immediate: true },
)
/** Degrees as they are typed: a comma and a minus of any kind are understood. */
function turnBy() {
  const typed = turn.value.replace('−', '-').replace(',', '.').replace('°', '')
  const degrees = Number(typed || 0)
  if (Number.isFinite(degrees)) void set({ turn: degrees })
  else turn.value = String(piece.turn)
}
const open = (shape: Shape | null, left = rim.value) => set({ opening: { rim: left, shape } })
</script>

<template>
  <div class="grid grid-cols-2 gap-3">
    <template v-if="piece.shaped">
      <div>
        <span class="label">Cut to</span>
        <ChoiceList
          :model-value="piece.shape ?? ITSELF"
          label="Cut to"
          :options="shapes"
          @update:model-value="set({ shape: said($event) })"
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
