<script setup lang="ts">
import { nextTick, ref } from 'vue'
import type { Like, Match } from '@/api/client'
import { figure, nearness } from '@/lib/words'
import OwnedCorner from '@/ui/OwnedCorner.vue'
import SwatchShape from '@/drawing/SwatchShape.vue'
import TheFigure from '@/ui/TheFigure.vue'

/** The nearest of every range, the range with the very nearest first. */
const { ranges } = defineProps<{ ranges: Like['ranges']; chosen: number }>()
const emit = defineEmits<{ choose: [match: Match]; flip: [] }>()
const grid = ref<HTMLElement | null>(null)
const at = ref({ row: 0, column: 0 })

async function focus(row: number, column: number) {
  const to = Math.min(Math.max(row, 0), ranges.length - 1)
  at.value = {
    row: to,
    column: Math.min(Math.max(column, 0), (ranges[to]?.matches.length ?? 1) - 1),
  }
  await nextTick()
  grid.value?.querySelector<HTMLElement>(`[data-at="${at.value.row} ${at.value.column}"]`)?.focus()
}
function onKey(event: KeyboardEvent) {
  if (event.ctrlKey || event.metaKey || event.altKey) return
  const { row, column } = at.value
  const moves: Record<string, () => unknown> = {
    ArrowUp: () => focus(row - 1, column),
    ArrowDown: () => focus(row + 1, column),
    ArrowLeft: () => focus(row, column - 1),
    ArrowRight: () => focus(row, column + 1),
    Home: () => focus(0, 0),
    Enter: () => emit('flip'),
  }
  const move = moves[event.key]
  if (!move) return
  event.preventDefault()
  move()
}
function reach(row: number, column: number, match: Match) {
  at.value = { row, column }
  emit('choose', match)
}
</script>

<template>
  <p v-if="!ranges.length" class="panel max-w-xl p-5">
    Nothing to compare with. Switch “Only what I own” off, or mark what you own under Supplies.
  </p>
  <template v-else>
    <p class="mb-2 text-xs text-soft">
      The nearest in every range.
      <span class="pointer-coarse:hidden"
        >Arrow keys move and compare, Enter or <kbd class="keycap">f</kbd> asks what is like that
        one.</span
      >
    </p>
    <div
      ref="grid"
      role="grid"
      aria-label="What is like it, range by range"
      class="space-y-1.5"
      @keydown="onKey"
    >
      <div
        v-for="(range, row) in ranges"
        :key="range.range_id"
        role="row"
        class="grid gap-1.5 sm:grid-cols-[148px_repeat(3,minmax(0,1fr))]"
      >
        <div role="rowheader" class="min-w-0 self-center">
          <b class="block truncate">{{ range.range_name }}</b>
          <span class="block text-xs text-soft">{{ range.medium }}</span>
          <span v-if="range.own" class="block text-xs text-soft">my own range</span>
        </div>
        <div
          v-for="(match, column) in range.matches"
          :key="match.swatch.id"
          role="gridcell"
          class="relative flex min-h-[64px] min-w-0 cursor-pointer items-center gap-2 rounded-data border bg-sheet px-2 py-1"
          :class="
            match.swatch.id === chosen
              ? 'border-ink ring-1 ring-ink'
              : 'border-line hover:border-edge'
          "
          :aria-selected="match.swatch.id === chosen"
          :data-at="`${row} ${column}`"
          :tabindex="at.row === row && at.column === column ? 0 : -1"
          @focus="reach(row, column, match)"
          @click="reach(row, column, match)"
          @dblclick="$emit('flip')"
        >
          <SwatchShape :swatch="match.swatch" />
          <span class="min-w-0 flex-1 text-xs leading-tight">
            <b class="line-clamp-2 text-sm break-words">{{ match.swatch.label }}</b>
            <span class="block">{{ nearness(match) }}</span>
            <TheFigure class="block" :text="figure(match)" />
            <span v-if="match.swatch.discontinued" class="block text-soft">discontinued</span>
          </span>
          <OwnedCorner :swatch="match.swatch" />
        </div>
      </div>
    </div>
  </template>
</template>
