<script setup lang="ts">
import { computed, useId } from 'vue'
import type { Swatch } from '@/api/client'
import { useSession } from '@/lib/session'
import { useShade } from '@/lib/screen'

/** A swatch drawn as the thing itself leaves colour, so that a row reads without its header. */
const { swatch } = defineProps<{ swatch: Swatch }>()
const session = useSession()
const shade = useShade()
const id = useId()
const main = computed(() => shade(swatch))
const second = computed(() => (swatch.second ?? swatch.shades)[session.view])
const sheet = computed(() => swatch.sheet.map((shades) => shades[session.view]))
// What was not read from a real swatch has a thin dashed edge.
const dash = computed(() => (swatch.provenance === 'read' ? undefined : '2.5 2.5'))
const hatches = Array.from({ length: 11 }, (_, n) => `M${1 + n * 4.2} 35 l6 -30`).join(' ')
const motifs = [
  [9, 9, 20],
  [25, 17, -30],
  [40, 8, 35],
  [13, 24, -15],
  [37, 25, 15],
] as const
</script>

<template>
  <svg
    viewBox="0 0 52 40"
    class="h-[40px] w-[52px] shrink-0"
    aria-hidden="true"
    fill="none"
    stroke-width="1"
  >
    <template v-if="swatch.form === 'stroke'">
      <path d="M2 15 C14 10 34 13 50 9 V27 C36 31 16 27 2 31 Z" :fill="main" />
      <path d="M24 11.6 C29 11.8 33 12 36 11.5 V29 C31 29 28 28.6 24 28.8 Z" :fill="second" />
      <path
        d="M2 15 C14 10 34 13 50 9 V27 C36 31 16 27 2 31 Z"
        :stroke-dasharray="dash"
        class="edge"
      />
    </template>
    <template v-else-if="swatch.form === 'dab'">
      <radialGradient :id="id">
        <stop offset="0.45" :stop-color="main" />
        <stop offset="0.85" :stop-color="second" />
        <stop offset="1" :stop-color="second" stop-opacity="0" />
      </radialGradient>
      <circle cx="26" cy="20" r="19" :fill="`url(#${id})`" />
      <circle v-if="dash" cx="26" cy="20" r="18.5" :stroke-dasharray="dash" class="edge" />
    </template>
    <template v-else-if="swatch.form === 'hatch'">
      <path :d="hatches" :stroke="main" stroke-width="3" stroke-linecap="round" />
      <path v-if="dash" d="M-1 36 L6 4 H53 L46 36 Z" :stroke-dasharray="dash" class="edge" />
    </template>
    <template v-else-if="swatch.form === 'card'">
      <path d="M8 2 H44 V28 L34 38 H8 Z" :fill="main" />
      <path d="M8 2 H44 V28 L34 38 H8 Z" :stroke-dasharray="dash" class="edge" />
    </template>
    <template v-else-if="swatch.form === 'sheet'">
      <rect x="1" y="2" width="50" height="30" :fill="sheet[0] ?? main" />
      <ellipse
        v-for="([x, y, turn], n) in motifs"
        :key="n"
        :cx="x"
        :cy="y"
        rx="7"
        ry="3.4"
        :transform="`rotate(${turn} ${x} ${y})`"
        :fill="sheet[(n % Math.max(sheet.length - 1, 1)) + 1] ?? main"
      />
      <rect
        v-for="(of, n) in sheet"
        :key="of + n"
        :x="1 + n * 10"
        y="34"
        width="9"
        :height="of === main ? 5 : 2.5"
        :fill="of"
      />
      <rect x="1" y="2" width="50" height="30" :stroke-dasharray="dash" class="edge" />
    </template>
    <template v-else>
      <circle cx="26" cy="20" r="16" :fill="main" :stroke-dasharray="dash" class="edge" />
      <path d="M17 15 A11 11 0 0 1 26 9" stroke="#ffffff" stroke-opacity="0.7" stroke-width="3" />
    </template>
  </svg>
</template>

<style scoped>
.edge {
  stroke: var(--edge);
  stroke-width: 0.8;
}
</style>
