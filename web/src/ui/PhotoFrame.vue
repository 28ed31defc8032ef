<script setup lang="ts">
import { computed, ref } from 'vue'

/** A picture with frames on it; the active one is drawn with the mouse, or moved by keys. */
export type Box = { left: number; top: number; width: number; height: number }
export type Frame = { key: string; words: string; corners: [number, number][] }
const { width, height, box, words, corners } = defineProps<{
  src: string
  width: number
  height: number
  /** What the frame that is drawn is for, and where it lies now. */
  words: string
  box: Box | null
  veil?: string
  frames?: Frame[]
  pointed?: string
  /** The corners of the sheet, to be dragged onto it. */
  corners?: [number, number][]
}>()
const emit = defineEmits<{
  mark: [box: Box]
  point: [key: string]
  corner: [at: number, place: [number, number]]
}>()
const moving = ref<{ at: number; place: [number, number] } | null>(null)
const placed = computed(() =>
  corners?.map((corner, at) => (moving.value?.at === at ? moving.value.place : corner)),
)
const CORNERS = ['upper left', 'upper right', 'lower right', 'lower left']
const frame = ref<SVGSVGElement | null>(null)
const from = ref<{ x: number; y: number } | null>(null)
const drawn = ref<Box | null>(null)
const shown = computed(() => drawn.value ?? box)
const STEP = 10

function place(event: PointerEvent) {
  const area = frame.value!.getBoundingClientRect()
  return {
    x: Math.round(((event.clientX - area.left) / area.width) * width),
    y: Math.round(((event.clientY - area.top) / area.height) * height),
  }
}
function grab(event: PointerEvent, at: number) {
  moving.value = { at, place: corners![at]! }
  frame.value!.setPointerCapture(event.pointerId)
}
function begin(event: PointerEvent) {
  from.value = place(event)
  frame.value!.setPointerCapture(event.pointerId)
}
function draw(event: PointerEvent) {
  if (moving.value) moving.value.place = inside(place(event))
  if (!from.value) return
  const to = place(event)
  drawn.value = {
    left: Math.max(0, Math.min(from.value.x, to.x)),
    top: Math.max(0, Math.min(from.value.y, to.y)),
    width: Math.max(1, Math.abs(to.x - from.value.x)),
    height: Math.max(1, Math.abs(to.y - from.value.y)),
  }
}
const inside = ({ x, y }: { x: number; y: number }): [number, number] => [
  Math.min(Math.max(0, x), width),
  Math.min(Math.max(0, y), height),
]
function end() {
  if (moving.value) emit('corner', moving.value.at, moving.value.place)
  moving.value = null
  if (drawn.value && drawn.value.width > 3 && drawn.value.height > 3) emit('mark', drawn.value)
  from.value = drawn.value = null
}
const MOVES: Record<string, [number, number]> = {
  ArrowLeft: [-STEP, 0],
  ArrowRight: [STEP, 0],
  ArrowUp: [0, -STEP],
  ArrowDown: [0, STEP],
}
function nudgeCorner(event: KeyboardEvent, at: number) {
  const move = MOVES[event.key]
  if (!move) return
  event.preventDefault()
  const [x, y] = corners![at]!
  emit('corner', at, inside({ x: x + move[0], y: y + move[1] }))
}
function nudge(event: KeyboardEvent) {
  const move = MOVES[event.key]
  if (!move) return
  event.preventDefault()
  const side = Math.round(Math.min(width, height) / 8)
  const now = box ?? { left: 0, top: 0, width: side, height: side }
  emit('mark', {
    ...now,
    left: Math.min(Math.max(0, now.left + move[0]), width - now.width),
    top: Math.min(Math.max(0, now.top + move[1]), height - now.height),
  })
}
const points = (corners: [number, number][]) => corners.map((corner) => corner.join()).join(' ')
</script>

<template>
  <svg
    ref="frame"
    :viewBox="`0 0 ${width} ${height}`"
    class="block w-full cursor-crosshair touch-none"
    role="application"
    tabindex="0"
    :aria-label="`The picture. Drag a frame onto ${words}, or move the frame with the arrow keys.`"
    @pointerdown="begin"
    @pointermove="draw"
    @pointerup="end"
    @keydown="nudge"
  >
    <image :href="src" :width="width" :height="height" preserveAspectRatio="none" />
    <image v-if="veil" :href="veil" :width="width" :height="height" preserveAspectRatio="none" />
    <g v-for="one in veil ? [] : frames" :key="one.key" @pointerenter="emit('point', one.key)">
      <title>{{ one.words }}</title>
      <polygon
        :points="points(one.corners)"
        fill="transparent"
        stroke="#ffffff"
        :stroke-width="one.key === pointed ? 7 : 3"
      />
      <polygon
        :points="points(one.corners)"
        fill="none"
        stroke="#161616"
        :stroke-width="one.key === pointed ? 3 : 1"
      />
    </g>
    <template v-if="placed && !veil">
      <polygon :points="points(placed)" fill="none" stroke="#ffffff" stroke-width="4" />
      <polygon :points="points(placed)" fill="none" stroke="#161616" stroke-width="1.5" />
      <circle
        v-for="(corner, at) in placed"
        :key="at"
        :cx="corner[0]"
        :cy="corner[1]"
        :r="Math.max(width, height) / 45"
        class="cursor-grab"
        fill="#ffffff"
        fill-opacity="0.75"
        stroke="#161616"
        stroke-width="2"
        tabindex="0"
        role="button"
        :aria-label="`The sheet’s ${CORNERS[at]} corner: drag it there, or move it with the arrow keys`"
        @pointerdown.stop="grab($event, at)"
        @keydown.stop="nudgeCorner($event, at)"
      />
    </template>
    <template v-if="shown && !veil">
      <rect
        :x="shown.left"
        :y="shown.top"
        :width="shown.width"
        :height="shown.height"
        fill="none"
        stroke="#ffffff"
        stroke-width="5"
      />
      <rect
        :x="shown.left"
        :y="shown.top"
        :width="shown.width"
        :height="shown.height"
        fill="none"
        stroke="#161616"
        stroke-width="2"
        stroke-dasharray="8 5"
      />
    </template>
  </svg>
</template>
