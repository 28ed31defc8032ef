<script setup lang="ts">
import { computed, useId } from 'vue'
import type { GroundPanel } from '@/api/client'
import { useSession } from '@/lib/session'

/** A ground as predicted, in a box of the drawing it stands in. */
const { panel, box } = defineProps<{
  panel: GroundPanel
  box: { x: number; y: number; width: number; height: number }
}>()
const session = useSession()
const id = useId()
type Field = GroundPanel['parts'][number]
type Mark = GroundPanel['effects'][number]['marks'][number]
const short = computed(() => Math.min(box.width, box.height))

const ALL_OVER = 'M0 0L1 0L1 1L0 1Z'
/** Along which way a field's colours run, in shares of the panel as its path is. */
function run(field: Field) {
  const units = { gradientUnits: 'userSpaceOnUse' }
  // The corners of a box lie √½ of its sides from its middle.
  if (field.way === 'out') return { ...units, cx: 0.5, cy: 0.5, r: Math.SQRT1_2 }
  return field.way === 'across'
    ? { ...units, x1: 0, x2: 1, y1: 0, y2: 0 }
    : { ...units, x1: 0, x2: 0, y1: 0, y2: 1 }
}
const at = (mark: Mark) => ({
  x: box.x + mark.x * box.width,
  y: box.y + mark.y * box.height,
  r: mark.radius * short.value,
})
const shade = (mark: Mark) => mark.shades?.[session.view]
/** Two leaves on a stalk, as a stencil cuts them. */
function motif(mark: Mark): string {
  const { x, y, r } = at(mark)
  const leaf = (turn: number) =>
    `M${x} ${y + r}q${turn * r} ${-0.3 * r} ${turn * r} ${-1.6 * r}q${-turn * r} ${0.4 * r} ${-turn * r} ${1.6 * r}Z`
  return leaf(1) + leaf(-1)
}
/** A line of writing, too small to be read. */
function writing(mark: Mark): string {
  const { y, r } = at(mark)
  const points = Array.from({ length: 181 }, (_, n) => {
    const along = n / 180
    const rise = Math.sin(n * 0.9) * (0.4 + 0.35 * Math.sin(n * 0.23 + mark.y * 9))
    return `${box.x + (0.05 + 0.9 * along) * box.width} ${y - r * rise}`
  })
  return `M${points.join('L')}`
}
function glint(mark: Mark): string {
  const { x, y, r } = at(mark)
  const waist = r * 0.18
  return `M${x} ${y - r}L${x + waist} ${y - waist}L${x + r} ${y}L${x + waist} ${y + waist}L${x} ${y + r}L${x - waist} ${y + waist}L${x - r} ${y}L${x - waist} ${y - waist}Z`
}
</script>

<template>
  <g>
    <defs>
      <component
        :is="field.way === 'out' ? 'radialGradient' : 'linearGradient'"
        v-for="(field, n) in panel.parts"
        :id="`${id}-${n}`"
        :key="n"
        v-bind="run(field)"
      >
        <stop
          v-for="(stop, place) in field.stops"
          :key="place"
          :offset="stop.at"
          :stop-color="stop.shades[session.view]"
        />
      </component>
      <clipPath :id="`${id}-clip`"><rect v-bind="box" /></clipPath>
    </defs>
    <g :transform="`translate(${box.x} ${box.y}) scale(${box.width} ${box.height})`">
      <path
        v-for="(field, n) in panel.parts"
        :key="n"
        :d="field.path || ALL_OVER"
        fill-rule="evenodd"
        :fill="`url(#${id}-${n})`"
      />
    </g>
    <g :clip-path="`url(#${id}-clip)`">
      <template v-for="one in panel.effects" :key="one.effect">
        <template v-for="(mark, n) in one.marks" :key="n">
          <path v-if="one.effect === 'stencil-pattern'" :d="motif(mark)" :fill="shade(mark)" />
          <path
            v-else-if="one.effect === 'text-stamp'"
            :d="writing(mark)"
            fill="none"
            :stroke="shade(mark)"
            :stroke-width="short * 0.008"
            stroke-linejoin="round"
          />
          <path
            v-else-if="one.effect === 'shimmer'"
            :d="glint(mark)"
            class="glint"
            :stroke-width="short * 0.003"
          />
          <circle v-else :cx="at(mark).x" :cy="at(mark).y" :r="at(mark).r" :fill="shade(mark)" />
        </template>
      </template>
    </g>
  </g>
</template>

<style scoped>
/* Not predicted: a hollow sign, no colour. */
.glint {
  fill: none;
  stroke: #ffffff;
}
</style>
