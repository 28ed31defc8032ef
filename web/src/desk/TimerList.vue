<script setup lang="ts">
import { computed, ref } from 'vue'
import type { Plan } from '@/api/client'
import { usePlan } from '@/stages/plan/plan'
import { left } from '@/stages/plan/times'

/** What dries, cools or sets by itself, and what of it has done so; one that is pressed can be changed. */
const { timers, now } = defineProps<{ timers: Plan['timers']; now: number }>()
const work = usePlan()
const MORE = 5 // minutes with one press
const opened = ref('')
const chosen = computed(() => timers.find((one) => one.key === opened.value))
const isOver = (one: Plan['timers'][number]) => one.until <= now

function longer(one: Plan['timers'][number]) {
  const since = Math.max(now - one.until, 0) / 60 // what is over goes on from now
  void work.press('longer', one.key, { minutes: MORE + since })
  opened.value = ''
}
function ready(one: Plan['timers'][number]) {
  void work.press('dry', one.key)
  opened.value = ''
}
</script>

<template>
  <section v-if="timers.length" aria-label="What dries" class="border-b border-line bg-wall">
    <ul class="flex gap-2 overflow-x-auto px-4 py-2">
      <li v-for="one in timers" :key="one.key" class="shrink-0">
        <button
          type="button"
          class="button !min-h-12 !gap-3"
          :class="isOver(one) && 'button-main'"
          :aria-expanded="opened === one.key"
          @click="opened = opened === one.key ? '' : one.key"
        >
          <span class="font-title text-lg">{{ isOver(one) ? 'Over' : left(one.until - now) }}</span>
          <span class="max-w-44 truncate font-normal">{{ one.words }}</span>
        </button>
      </li>
    </ul>
    <div v-if="chosen" class="flex flex-wrap items-center gap-2 px-4 pb-2">
      <p class="min-w-0 flex-1 basis-60">
        <b>{{ chosen.words }}</b>: {{ chosen.reason }}
      </p>
      <button type="button" class="button !min-h-12" @click="longer(chosen)">
        {{ isOver(chosen) ? 'Not yet: ' : '' }}{{ MORE }} min more
      </button>
      <button v-if="!isOver(chosen)" type="button" class="button !min-h-12" @click="ready(chosen)">
        It is ready now
      </button>
    </div>
    <p class="sr-only" role="status">
      {{
        timers
          .filter(isOver)
          .map((one) => `Over: ${one.words}`)
          .join('. ')
      }}
    </p>
  </section>
</template>
