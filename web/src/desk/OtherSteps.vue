<script setup lang="ts">
import type { Plan } from '@/api/client'
import { usePlan } from '@/stages/plan/plan'
import { span } from '@/stages/plan/times'

/** What else could be done now. */
const { steps } = defineProps<{ steps: Plan['tasks'] }>()
const work = usePlan()
</script>

<template>
  <details v-if="steps.length">
    <summary class="flex min-h-11 w-fit cursor-pointer items-center font-semibold">
      Something else that can be done now ({{ steps.length }})
    </summary>
    <ul class="space-y-2">
      <li v-for="task in steps" :key="task.key">
        <button
          type="button"
          class="button !min-h-12 w-full !justify-start"
          @click="work.press('begin', task.key)"
        >
          {{ task.words }} <span class="font-normal text-soft">{{ span(task.minutes) }}</span>
        </button>
      </li>
    </ul>
  </details>
</template>
