<script setup lang="ts">
import { computed } from 'vue'
import { api, got } from '@/api/client'
import { useFetched } from '@/lib/fetched'
import { plural } from '@/lib/words'
import ScreenTeaches from './ScreenTeaches.vue'
import { finely } from './training'

/** The five exercises: what each is, how fine the eye is, what comes back today. */
const { data: training } = useFetched([], () => got(api.GET('/api/training')))
const due = computed(() => training.value?.exercises.reduce((sum, one) => sum + one.due, 0) ?? 0)
const practise = (ready: boolean) => (ready ? 'Practise' : 'Practise with all colours')
const isReady = computed(() => training.value?.exercises.some((one) => one.ready))
</script>

<template>
  <p v-if="!training" class="text-soft">Looking at your colours …</p>
  <div v-else class="flex flex-wrap items-start gap-6">
    <div class="min-w-0 flex-1 basis-[520px]">
      <div class="mb-4 flex flex-wrap items-center gap-x-4 gap-y-2">
        <RouterLink
          :to="{ path: '/training/practise', query: isReady ? {} : { all: '' } }"
          class="button button-main"
          >Five minutes of everything</RouterLink
        >
        <span v-if="due"
          >{{ plural(due, 'question') }} that you missed {{ due === 1 ? 'is' : 'are' }} due.</span
        >
        <span v-else-if="isReady" class="text-soft"
          >{{ training.session }} questions of your own colours.</span
        >
        <span v-else
          >{{ training.session }} questions, of all colours that are here.
          <RouterLink to="/supplies/mine" class="underline">Say what you own</RouterLink>, and they
          are of that.</span
        >
      </div>
      <ul class="space-y-2">
        <li
          v-for="one in training.exercises"
          :key="one.key"
          class="panel flex flex-wrap items-center gap-x-4 gap-y-2 p-4"
        >
          <div class="min-w-0 flex-1 basis-72">
            <h2 class="text-base">{{ one.title }}</h2>
            <p>{{ one.about }}</p>
            <p v-if="one.ready || one.answers || training.own" class="text-xs text-soft">
              <template v-if="!one.answers">Not tried yet.</template>
              <template v-else>{{ one.right }} of {{ one.answers }} right</template>
              <template v-if="one.threshold"
                >; by now {{ finely(one.threshold, one.unit) }}.</template
              >
              <template v-else-if="one.answers"
                >; how fine your eye is, is told from eight answers on.</template
              >
              <template v-if="one.due"> {{ plural(one.due, 'question') }} due.</template>
              <template v-if="!one.ready">
                Your drawer gives none yet: it needs {{ one.needs }}.</template
              >
            </p>
          </div>
          <RouterLink
            :to="{
              path: '/training/practise',
              query: one.ready ? { exercise: one.key } : { exercise: one.key, all: '' },
            }"
            class="button"
            :aria-label="`${practise(one.ready)}: ${one.title}`"
            >{{ practise(one.ready) }}</RouterLink
          >
        </li>
      </ul>
    </div>
    <ScreenTeaches :training="training" class="w-full max-w-[360px]" />
  </div>
</template>
