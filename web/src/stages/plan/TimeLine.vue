<script setup lang="ts">
import { computed } from 'vue'
import type { Plan } from '@/api/client'
import { span, when } from './times'

/** The work as a line of time: hands above, what dries, cools or sets by itself below. */
const { plan } = defineProps<{ plan: Plan }>()
type Running = { start: number; end: number }
const part = ({ start, end }: Running) => ({
  left: `${(100 * start) / plan.minutes}%`,
  width: `${(100 * (Math.min(end, plan.minutes) - start)) / plan.minutes}%`,
})
/** Whether there is room for a number, or for words. */
const isWide = ({ start, end }: Running, words = false) =>
  (end - start) / plan.minutes > (words ? 0.065 : 0.022)
function told(one: Plan['dries'][number]) {
  const number = plan.tasks.findIndex((task) => task.key === one.key) + 1
  const words = isWide(one, true) ? span(one.end - one.start) : ''
  return [number || '', words].filter(Boolean).join(': ')
}
/** What runs at the same time lies in lanes of its own. */
const lanes = computed(() => {
  const found: Plan['dries'][] = []
  const seen = plan.dries.filter((one) => one.start < plan.minutes)
  for (const one of [...seen].sort((a, b) => a.start - b.start)) {
    const lane = found.find((each) => each.at(-1)!.end <= one.start)
    if (lane) lane.push(one)
    else found.push([one])
  }
  return found
})
const STEPS = [5, 10, 15, 30, 60, 120, 240]
const marks = computed(() => {
  const every = STEPS.find((step) => plan.minutes / step <= 12) ?? 480
  const found = Array.from({ length: Math.floor(plan.minutes / every) + 1 }, (_, n) => n * every)
  return found.filter((mark) => mark < 0.96 * plan.minutes) // the last must not stick out
})
</script>

<template>
  <figure class="panel p-3" aria-label="The line of time">
    <div class="relative h-9">
      <span
        v-for="(pause, n) in plan.breaks"
        :key="`break ${n}`"
        class="absolute inset-y-0 border-x border-dashed border-edge"
        :style="part(pause)"
        :title="`Nobody is at the table, ${when(plan, pause.start)} to ${when(plan, pause.end)}`"
      />
      <span
        v-for="(task, n) in plan.tasks"
        :key="task.key"
        class="absolute inset-y-0 overflow-hidden border-r border-sheet bg-strong text-[11px] leading-9 text-onstrong"
        :class="isWide(task) && 'px-1'"
        :style="part(task)"
        :title="`${n + 1}. ${task.words}, ${when(plan, task.start)} to ${when(plan, task.end)}`"
        >{{ isWide(task) ? n + 1 : '' }}</span
      >
    </div>
    <div v-for="(lane, n) in lanes" :key="n" class="relative mt-1 h-4">
      <span
        v-for="one in lane"
        :key="one.key"
        class="absolute inset-y-0 overflow-hidden rounded-data border border-edge bg-wall text-[10px] leading-[14px] whitespace-nowrap"
        :class="isWide(one) && 'px-1'"
        :style="part(one)"
        :title="`${one.words}, until ${when(plan, one.end)}`"
        >{{ isWide(one) ? told(one) : '' }}</span
      >
    </div>
    <div class="relative mt-2 h-4 border-t border-line text-[11px] text-soft" aria-hidden="true">
      <span
        v-for="mark in marks"
        :key="mark"
        class="absolute border-l border-line pl-1"
        :style="{ left: `${(100 * mark) / plan.minutes}%` }"
        >{{ when(plan, mark) }}</span
      >
    </div>
    <figcaption class="mt-1 text-xs text-soft">
      Above your hands, by the steps’ numbers; below what dries, cools or sets meanwhile.
    </figcaption>
  </figure>
</template>
