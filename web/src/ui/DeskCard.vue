<script setup lang="ts">
import type { Desk } from '@/api/client'
import { useSession } from '@/lib/session'
import DrawnPicture from './DrawnPicture.vue'
import GroundPanel from './GroundPanel.vue'

/** The card as it would look, in true proportion. `lit` is the palette colour to show. */
defineProps<{ desk: Desk; words: string; lit?: number }>()
const session = useSession()
const DOTS = 6 // millimetres from dot to dot

function dots(part: Desk['parts'][number]) {
  const found = []
  for (let row = 0, y = part.y + DOTS / 2; y < part.y + part.height - 1; row++, y += DOTS)
    for (let x = part.x + (row % 2 ? DOTS : DOTS / 2); x < part.x + part.width - 1; x += DOTS)
      found.push({ x, y })
  return found
}
</script>

<template>
  <svg
    :viewBox="`-1 -1 ${desk.width + 2} ${desk.height + 2}`"
    class="block h-full w-full"
    role="img"
    :aria-label="`The card “${words}” as planned`"
  >
    <template v-for="(part, n) in desk.parts" :key="n">
      <rect
        v-if="part.raised && part.shape !== 'drawing'"
        :x="part.x + part.raised / 2"
        :y="part.y + part.raised / 2"
        :width="part.width"
        :height="part.height"
        class="shadow"
      />
      <rect
        v-if="part.shape === 'rect'"
        :x="part.x"
        :y="part.y"
        :width="part.width"
        :height="part.height"
        :fill="part.shades[session.view]"
        :class="{ base: part.name === 'base', lit: lit && part.key === lit }"
      />
      <circle
        v-else-if="part.shape === 'disc'"
        :cx="part.x + part.width / 2"
        :cy="part.y + part.height / 2"
        :r="part.width / 2"
        :fill="part.shades[session.view]"
        :class="{ lit: lit && part.key === lit }"
      />
      <GroundPanel
        v-else-if="part.shape === 'ground' && desk.ground"
        :panel="desk.ground"
        :box="{ x: part.x, y: part.y, width: part.width, height: part.height }"
      />
      <g v-else-if="part.shape === 'dots'" :fill="part.shades[session.view]">
        <circle
          v-for="dot in dots(part)"
          :key="`${dot.x} ${dot.y}`"
          :cx="dot.x"
          :cy="dot.y"
          r="1"
        />
      </g>
      <svg
        v-else-if="part.shape === 'drawing' && desk.picture"
        :x="part.x"
        :y="part.y"
        :width="part.width"
        :height="part.height"
        :viewBox="`0 0 ${desk.picture.width} ${desk.picture.height}`"
        overflow="visible"
      >
        <DrawnPicture :picture="desk.picture" :lit="lit" />
      </svg>
      <text
        v-else-if="part.shape === 'text'"
        :x="part.x + part.width / 2"
        :y="part.y + part.height / 2"
        :font-size="Math.min(part.height * 0.5, (part.width * 1.6) / Math.max(words.length, 8))"
        text-anchor="middle"
        dominant-baseline="central"
        class="font-title"
        :fill="part.shades[session.view]"
      >
        {{ words.length > 40 ? words.slice(0, 39) + '…' : words }}
      </text>
    </template>
  </svg>
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
.lit {
  stroke: var(--ink);
  stroke-width: 1.4;
  stroke-dasharray: 3 2;
}
</style>
