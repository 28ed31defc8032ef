<script setup lang="ts">
import { computed, useId } from 'vue'
import type { Desk } from '@/api/client'
import { useSession } from '@/lib/session'
import DeskPicture from './DeskPicture.vue'
import GroundPanel from './GroundPanel.vue'
import SheetPattern from './SheetPattern.vue'

/** What lies on one face of the card, from the lowest up, in millimetres. */
const { desk, lit, pieces } = defineProps<{
  desk: Desk
  parts: Desk['parts']
  lit?: number
  pieces?: ReadonlySet<number> // keys of those to be shown
}>()
const session = useSession()
const DOTS = 6 // millimetres from dot to dot

function dots(part: Desk['parts'][number]) {
  const found = []
  for (let row = 0, y = part.y + DOTS / 2; y < part.y + part.height - 1; row++, y += DOTS)
    for (let x = part.x + (row % 2 ? DOTS : DOTS / 2); x < part.x + part.width - 1; x += DOTS)
      found.push({ x, y })
  return found
}
const id = useId()
/** What a part is turned by, the last turn first, as SVG wants it. */
const turned = (part: Desk['parts'][number]) =>
  part.turns
    .map((turn) => `rotate(${turn.join(' ')})`)
    .reverse()
    .join(' ')
const pictures = computed(() => new Map(desk.pictures.map((one) => [one.key, one])))
const round = (part: Desk['parts'][number], by = 0) => ({
  cx: part.x + part.width / 2,
  cy: part.y + part.height / 2,
  rx: part.width / 2 + by,
  ry: part.height / 2 + by,
})
const isLit = (part: Desk['parts'][number]) => !!lit && part.key === lit
const box = ({ x, y, width, height }: Desk['parts'][number]) => ({ x, y, width, height })
</script>

<template>
  <g>
    <!-- A picture within a picture ends at its edges, as what is trimmed does at the card's. -->
    <component
      :is="part.trimmed ? 'svg' : 'g'"
      v-for="(part, n) in parts"
      :key="n"
      v-bind="part.trimmed ? { width: desk.width, height: desk.height } : {}"
    >
      <g
        v-if="part.raised"
        :transform="`translate(${part.raised / 2} ${part.raised / 2}) ${turned(part)}`"
      >
        <ellipse v-if="part.shape === 'disc'" v-bind="round(part, part.rim)" class="shadow" />
        <path v-else-if="part.path" :d="part.path" fill-rule="evenodd" class="shadow" />
        <rect v-else-if="part.shape === 'rect'" v-bind="box(part)" class="shadow" />
        <DeskPicture
          v-else-if="part.shape === 'drawing' && pictures.has(part.picture)"
          :part="part"
          :picture="pictures.get(part.picture)!"
          shadow
        />
      </g>
      <g :transform="turned(part) || undefined">
        <SheetPattern v-if="part.pattern" :part="part" :pattern="part.pattern" :lit="isLit(part)" />
        <template v-else-if="part.shape === 'rect' || part.shape === 'veil'">
          <path
            v-if="part.path"
            :d="part.path"
            fill-rule="evenodd"
            :fill="part.shades[session.view]"
            :opacity="part.opacity"
            :class="{ lit: isLit(part) }"
          />
          <rect
            v-else
            v-bind="box(part)"
            :fill="part.shades[session.view]"
            :opacity="part.opacity"
            :class="{ base: part.name === 'base', lit: isLit(part) }"
          />
        </template>
        <g v-else-if="part.shape === 'disc'">
          <ellipse v-if="part.rim" v-bind="round(part, part.rim)" fill="#ffffff" />
          <ellipse
            v-bind="round(part)"
            :fill="part.shades[session.view]"
            :class="{ lit: isLit(part) }"
          />
        </g>
        <template v-else-if="part.shape === 'ground' && desk.ground">
          <clipPath v-if="part.path" :id="`${id}-${n}`">
            <path :d="part.path" clip-rule="evenodd" />
          </clipPath>
          <g :clip-path="part.path ? `url(#${id}-${n})` : undefined">
            <GroundPanel :panel="desk.ground" :box="box(part)" />
          </g>
        </template>
        <g v-else-if="part.shape === 'dots'" :fill="part.shades[session.view]">
          <circle
            v-for="dot in dots(part)"
            :key="`${dot.x} ${dot.y}`"
            :cx="dot.x"
            :cy="dot.y"
            r="1"
          />
        </g>
        <DeskPicture
          v-else-if="part.shape === 'drawing' && pictures.has(part.picture)"
          :part="part"
          :picture="pictures.get(part.picture)!"
          :lit="lit"
        />
        <path
          v-else-if="part.shape === 'text' && part.path"
          :d="part.path"
          fill-rule="evenodd"
          :fill="part.shades[session.view]"
        >
          <title>{{ part.text }}</title>
        </path>
        <text
          v-else-if="part.shape === 'text'"
          data-on-screen
          :x="part.x + part.width / 2"
          :y="part.y + part.height / 2"
          :font-size="part.size"
          :font-weight="part.bold ? 700 : 400"
          text-anchor="middle"
          dominant-baseline="central"
          class="font-title"
          :fill="part.shades[session.view]"
        >
          words?
        </text>
        <path v-if="part.stitches" :d="part.stitches" class="stitches" />
      </g>
    </component>
    <template v-for="(part, n) in parts" :key="`shown ${n}`">
      <g v-if="pieces?.has(part.piece)" :transform="turned(part) || undefined" class="shown">
        <path v-if="part.path" :d="part.path" />
        <rect v-else v-bind="box(part)" />
      </g>
    </template>
  </g>
</template>

<style scoped>
.shadow {
  fill: #000000;
  opacity: 0.25;
}
.base {
  stroke: var(--line);
  stroke-width: 0.6;
}
.stitches {
  fill: none;
  stroke: #ffffff;
  stroke-width: 0.35;
  stroke-dasharray: 1.6 0.9;
  mix-blend-mode: difference;
  opacity: 0.55;
}
.shown > * {
  fill: none;
  stroke: var(--ink);
  stroke-width: 3px;
  stroke-dasharray: 8px 6px;
  vector-effect: non-scaling-stroke;
}
.lit {
  stroke: var(--ink);
  stroke-width: 1.4;
  stroke-dasharray: 3 2;
}
</style>
