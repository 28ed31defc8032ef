<script setup lang="ts">
import { computed } from 'vue'
import type { Plan } from '@/api/client'
import { plural } from '@/lib/words'
import { usePlan } from './plan'
import { span } from './times'

/** What of the work is past; each can be taken back, or all of it for making the card again. */
const { plan } = defineProps<{ plan: Plan }>()
const work = usePlan()
const HOW = { done: 'done', already: 'done before', skipped: 'left out' }
const latestFirst = computed(() => [...plan.past].reverse())
</script>

<template>
  <details v-if="plan.past.length" class="mb-3 max-w-[860px]" :open="!plan.tasks.length">
    <summary class="w-fit cursor-pointer font-semibold">
      {{ plural(plan.past.length, 'step') }} behind you
    </summary>
    <ul class="mt-2 space-y-1">
      <li v-for="one in latestFirst" :key="one.key" class="panel flex items-center gap-3 px-2 py-1">
        <span class="min-w-0 flex-1 break-words">{{ one.words }}</span>
        <span class="text-xs text-soft"
          >{{ HOW[one.how] }}{{ one.took === null ? '' : ` in ${span(one.took)}` }}</span
        >
        <button
          type="button"
          class="button !min-h-7 !px-2 !text-xs"
          @click="work.press('back', one.key)"
        >
          Take back
        </button>
      </li>
    </ul>
    <button type="button" class="button mt-2 !text-xs" @click="work.anew()">
      Make {{ work.of === 'sets' ? 'all of it' : 'this card' }} once more
    </button>
  </details>
</template>
