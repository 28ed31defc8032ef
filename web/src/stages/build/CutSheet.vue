<script setup lang="ts">
import type { Cutting } from '@/api/client'
import { useSession } from '@/lib/session'
import { percent } from '@/lib/words'

/** One sheet with what is cut out of it, where a base is scored, and what is left over. */
defineProps<{
  sheet: Omit<Cutting['sheets'][number], 'cuts'> & { cuts: (Cut & { card?: string })[] }
  number: number
}>()
const session = useSession()
type Cut = Cutting['sheets'][number]['cuts'][number]
type Left = Cutting['sheets'][number]['left'][number]
const LABEL = 58 // millimetres that a label takes along
const labelled = (one: Left) =>
  Math.max(one.width, one.height) >= LABEL && Math.min(one.width, one.height) > 9
const short = (name: string) => (name.length > 14 ? name.slice(0, 13) + '…' : name)
</script>

<template>
  <figure>
    <figcaption class="mb-1 text-xs">
      <b>{{ number }} {{ sheet.material.words }}</b
      >, {{ percent(sheet.used) }} used
    </figcaption>
    <svg
      :viewBox="`-1 -1 ${sheet.width + 2} ${sheet.height + 2}`"
      class="block w-full"
      role="img"
      :aria-label="`Sheet ${number}: ${sheet.cuts.map((cut) => cut.name).join(', ')}`"
    >
      <rect :width="sheet.width" :height="sheet.height" class="sheet" />
      <g v-for="(cut, at) in sheet.cuts" :key="at">
        <rect
          :x="cut.x"
          :y="cut.y"
          :width="cut.width"
          :height="cut.height"
          :fill="sheet.material.shades[session.view]"
          class="cut"
        />
        <rect v-if="cut.hole" v-bind="cut.hole" class="hole" />
        <line v-if="cut.score" v-bind="cut.score" class="score" />
        <text
          v-if="cut.width > 24 && cut.height > 9"
          :x="cut.x + cut.width / 2"
          :y="cut.y + cut.height / (cut.score ? 4 : 2)"
          text-anchor="middle"
          dominant-baseline="central"
          class="name"
          font-size="9"
        >
          {{ short(cut.name) }}
          <tspan
            v-if="cut.card && cut.height > 26"
            :x="cut.x + cut.width / 2"
            dy="10"
            font-size="7"
          >
            {{ short(cut.card) }}
          </tspan>
        </text>
      </g>
      <!-- The cuts in their order, each right across what is still whole. -->
      <g v-for="(trim, at) in sheet.trims" :key="`trim ${at}`">
        <line v-bind="trim" class="trim" />
        <circle
          :cx="trim.x1 + (trim.y1 === trim.y2 ? 7 : 0)"
          :cy="trim.y1 + (trim.y1 === trim.y2 ? 0 : 7)"
          r="5"
          class="turn"
        />
        <text
          :x="trim.x1 + (trim.y1 === trim.y2 ? 7 : 0)"
          :y="trim.y1 + (trim.y1 === trim.y2 ? 0 : 7)"
          text-anchor="middle"
          dominant-baseline="central"
          font-size="7"
          class="number"
        >
          {{ at + 1 }}
        </text>
      </g>
      <text
        v-for="(one, at) in sheet.left.filter(labelled)"
        :key="`left ${at}`"
        :transform="`translate(${one.x + one.width / 2} ${one.y + one.height / 2}) rotate(${one.width < LABEL ? -90 : 0})`"
        text-anchor="middle"
        dominant-baseline="central"
        class="left"
        font-size="8"
      >
        {{ one.size }}
      </text>
    </svg>
  </figure>
</template>

<style scoped>
.sheet {
  fill: var(--sheet);
  stroke: var(--edge);
  stroke-width: 0.6;
}
.cut {
  stroke: var(--ink);
  stroke-width: 0.8;
}
.hole {
  fill: var(--sheet);
  stroke: var(--ink);
  stroke-width: 0.6;
}
.turn {
  fill: #ffffff;
  stroke: #000000;
  stroke-width: 0.5;
}
.number {
  fill: #000000;
}
.trim {
  stroke: var(--edge);
  stroke-width: 0.5;
}
/* Readable on any colour: dark with a light rim. */
.score {
  stroke: #000000;
  stroke-width: 1.2;
  stroke-dasharray: 4 3;
  filter: drop-shadow(0 0 0.8px #ffffff);
}
.name {
  fill: #000000;
  stroke: #ffffff;
  stroke-width: 2;
  paint-order: stroke;
}
.left {
  fill: var(--soft);
}
</style>
