<script setup lang="ts">
import { computed } from 'vue'
import { chanceShare, lifted, path, placed, rightShare, type Point, type Week } from './weeks'

/** A region week by week, small enough for a table: right ones, and dashed those by guessing. */
const { weeks } = defineProps<{ weeks: Week[] }>()
const [WIDE, HIGH, SIDE] = [84, 26, 4]
const across = computed(() => placed(weeks, WIDE, SIDE))
const points = (share: (week: Week) => number) =>
  weeks.map((week, n): Point => [across.value[n]!, lifted(share(week), HIGH, SIDE)])
</script>

<template>
  <svg :viewBox="`0 0 ${WIDE} ${HIGH}`" class="h-[26px] w-[84px]" aria-hidden="true">
    <polyline
      :points="path(points(chanceShare))"
      fill="none"
      stroke="var(--edge)"
      stroke-dasharray="3 3"
    />
    <polyline
      :points="path(points(rightShare))"
      fill="none"
      stroke="var(--ink)"
      stroke-width="1.5"
    />
    <circle v-for="[x, y] in points(rightShare)" :key="x" :cx="x" :cy="y" r="2" fill="var(--ink)" />
  </svg>
</template>
