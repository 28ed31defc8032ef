<script setup lang="ts">
import { computed } from 'vue'
import type { Build } from '@/api/client'
import { useCard } from '@/card/card'
import { useSession } from '@/lib/session'
import { inWords } from '@/lib/words'

/** The closed card from the side, its heights ten times as large as its widths. */
const { build } = defineProps<{ build: Build }>()
const store = useCard()
const session = useSession()
const SCALE = 10
const wide = computed(() => store.card!.desk.width)
const highest = (pieces: Build['pieces']) => Math.max(0, ...pieces.map((one) => one.top))
const base = computed(() => build.base_thickness)
const front = computed(() => highest(build.pieces))
// From the top: what lies on the front, its half of the base, what lies inside on the other half.
const halves = computed(() => [front.value, front.value + base.value + highest(build.inside)])
const whole = computed(() => halves.value[1]! + base.value)
const layers = computed(() => [
  ...build.pieces.map((piece) => ({ piece, floor: front.value })),
  ...build.inside.map((piece) => ({ piece, floor: halves.value[1]! })),
])
const isInk = (piece: Build['pieces'][number]) => piece.top === piece.bottom
</script>

<template>
  <section aria-label="From the side" class="max-w-[760px]">
    <p class="mb-3 text-soft">
      {{ build.thickness.figure }}, both halves of the base with it. Heights are drawn ten times as
      large as widths.
    </p>
    <svg
      :viewBox="`-2 -4 ${wide + 4} ${whole * SCALE + 8}`"
      class="panel block max-h-[420px] w-full"
      role="img"
      aria-label="The closed card from the side"
    >
      <rect
        v-for="(half, n) in halves"
        :key="n"
        x="0"
        :y="half * SCALE"
        :width="wide"
        :height="base * SCALE"
        :fill="build.base.shades[session.view]"
        class="piece"
      />
      <rect
        v-for="{ piece, floor } in layers"
        :key="piece.key"
        :x="piece.box.x"
        :y="(floor - piece.top) * SCALE"
        :width="piece.box.width"
        :height="(piece.top - piece.bottom) * SCALE"
        :fill="piece.material.shades[session.view]"
        class="piece"
      />
    </svg>
    <table class="mt-4 text-left">
      <thead>
        <tr class="text-xs text-soft">
          <th class="pr-6 font-semibold">Piece</th>
          <th class="pr-6 font-semibold">Held by</th>
          <th class="font-semibold">How high it lies, above the card itself</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="{ piece } in layers" :key="piece.key">
          <td class="pr-6">{{ piece.name }}</td>
          <td class="pr-6">{{ isInk(piece) ? 'ink' : inWords(piece.raised) }}</td>
          <td>{{ piece.bottom.toFixed(1) }} – {{ piece.top.toFixed(1) }} mm</td>
        </tr>
      </tbody>
    </table>
  </section>
</template>

<style scoped>
.piece {
  stroke: var(--edge);
  stroke-width: 0.3;
}
</style>
