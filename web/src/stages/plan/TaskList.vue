<script setup lang="ts">
import { computed } from 'vue'
import type { Plan } from '@/api/client'
import { useSession } from '@/lib/session'
import { at, span } from './times'

/** The steps in their order: when, with what, how in particular, and why not sooner. */
const { plan } = defineProps<{ plan: Plan }>()
const session = useSession()
const after = computed(() => new Map(plan.dries.map((one) => [one.key, one.end - one.start])))
</script>

<template>
  <ol class="max-w-[860px] space-y-1.5">
    <li
      v-for="(task, n) in plan.tasks"
      :key="task.key"
      class="panel grid grid-cols-[34px_64px_minmax(0,1fr)_auto] items-start gap-x-2 p-2"
    >
      <span class="text-center font-title text-base">{{ n + 1 }}</span>
      <span class="text-xs leading-5">{{ at(task.start) }}</span>
      <div class="min-w-0">
        <b class="block break-words">{{ task.words }}</b>
        <span class="block text-xs">
          {{ span(task.end - task.start)
          }}{{ after.get(task.key) ? `, then ${span(after.get(task.key)!)} by itself` : '' }}
        </span>
        <details class="text-xs">
          <summary class="w-fit cursor-pointer text-soft">How, and why not sooner</summary>
          <p class="mt-1">{{ task.why || 'Nothing is in the way of it sooner.' }}</p>
          <ol v-if="task.steps.length" class="mt-1 list-disc space-y-0.5 pl-4">
            <li v-for="(step, m) in task.steps" :key="m">{{ step.words }}</li>
          </ol>
          <p v-for="words in task.cautions" :key="words" class="mt-1">
            <b>Take care.</b> {{ words }}
          </p>
        </details>
      </div>
      <span class="flex max-w-28 flex-wrap justify-end gap-1">
        <span
          v-for="one in task.supplies"
          :key="one.words"
          class="size-5 rounded-data border border-line"
          :style="{ background: one.shades[session.view] }"
          :title="one.words"
        />
      </span>
    </li>
  </ol>
</template>
