<script setup lang="ts">
import { computed } from 'vue'
import type { Build } from '@/api/client'
import { useCard } from '@/cards/card'
import { useSession } from '@/lib/session'

/** The stack from the side, its heights ten times as large as its widths. */
const { build } = defineProps<{ build: Build }>()
const store = useCard()
const session = useSession()
const SCALE = 10
const wide = computed(() => store.card!.desk.width)
const top = computed(() => Math.max(1, ...build.pieces.map((one) => one.top)))
</script>

<template>
  <section aria-label="From the side" class="max-w-[760px]">
    <p class="mb-3 text-soft">
      {{ build.thickness.figure }}, both halves of the base with it. Heights are drawn ten times as
      large as widths.
    </p>
    <svg
      :viewBox="`-2 -4 ${wide + 4} ${(top + 2 * build.base_thickness) * SCALE + 8}`"
      class="panel block max-h-[420px] w-full"
      role="img"
      aria-label="The stack of pieces from the side"
    >
      <rect
        v-for="half in [0, 1]"
        :key="half"
        x="0"
        :y="(top + half * build.base_thickness) * SCALE"
        :width="wide"
        :height="build.base_thickness * SCALE"
        :fill="build.base.shades[session.view]"
        class="piece"
      />
      <rect
        v-for="one in build.pieces"
        :key="one.key"
        :x="one.box.x"
        :y="(top - one.top) * SCALE"
        :width="one.box.width"
        :height="(one.top - one.bottom) * SCALE"
        :fill="one.material.shades[session.view]"
        class="piece"
      />
    </svg>
    <table class="mt-4 text-left">
      <thead>
        <tr class="text-xs text-soft">
          <th class="pr-6 font-semibold">Piece</th>
          <th class="pr-6 font-semibold">Held by</th>
          <th class="font-semibold">From – to above the front</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="one in build.pieces" :key="one.key">
          <td class="pr-6">{{ one.name }}</td>
          <td class="pr-6">{{ one.raised }}</td>
          <td>{{ one.bottom.toFixed(1) }} – {{ one.top.toFixed(1) }} mm</td>
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
