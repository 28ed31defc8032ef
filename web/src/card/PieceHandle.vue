<script setup lang="ts">
import { ref } from 'vue'
import type { Desk } from '@/api/client'
import { useCard } from './card'

/** The chosen piece on the desk: dragged, or moved with the arrow keys (Shift: by the finest step). */
const { part } = defineProps<{ part: Desk['parts'][number] }>()
const store = useCard()
const moved = ref({ x: 0, y: 0 })
const from = ref<DOMPoint | null>(null)

function at(event: PointerEvent): DOMPoint {
  const drawn = event.currentTarget as SVGGraphicsElement
  return new DOMPoint(event.clientX, event.clientY).matrixTransform(drawn.getScreenCTM()!.inverse())
}
function grab(event: PointerEvent) {
  ;(event.currentTarget as Element).setPointerCapture(event.pointerId)
  from.value = at(event)
}
function drag(event: PointerEvent) {
  if (!from.value) return
  const here = at(event)
  const step = store.card!.nudge.coarse
  const along = (way: number) => Math.round(way / step) * step
  moved.value = { x: along(here.x - from.value.x), y: along(here.y - from.value.y) }
}
async function drop() {
  const { x, y } = moved.value
  from.value = null
  if (x || y) await move(x, y)
  moved.value = { x: 0, y: 0 }
}
const move = (right: number, below: number) =>
  store.change({ kind: 'nudge_piece', key: part.piece, right, below })
const WAYS: Record<string, [number, number]> = {
  ArrowLeft: [-1, 0],
  ArrowRight: [1, 0],
  ArrowUp: [0, -1],
  ArrowDown: [0, 1],
}
function press(event: KeyboardEvent) {
  const way = WAYS[event.key]
  if (!way) return
  event.preventDefault()
  const step = event.shiftKey ? store.card!.nudge.fine : store.card!.nudge.coarse
  void move(way[0] * step, way[1] * step)
}
</script>

<template>
  <rect
    :x="part.x + moved.x"
    :y="part.y + moved.y"
    :width="part.width"
    :height="part.height"
    class="handle"
    tabindex="0"
    role="button"
    aria-label="Move the piece: arrow keys, with Shift by the finest step"
    @pointerdown="grab"
    @pointermove="drag"
    @pointerup="drop"
    @keydown="press"
  />
</template>

<style scoped>
.handle {
  fill: transparent;
  stroke: var(--ink);
  stroke-width: 1;
  stroke-dasharray: 3 2;
  cursor: move;
  touch-action: none;
}
</style>
