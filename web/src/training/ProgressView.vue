<script setup lang="ts">
import { computed } from 'vue'
import { api, got } from '@/api/client'
import { useFetched } from '@/lib/fetched'
import RegionCurve from './RegionCurve.vue'
import WeekCurve from './WeekCurve.vue'

/** How an eye comes on: by exercise week by week, and by region of colours. */
const { data: progress } = useFetched([], () => got(api.GET('/api/training/progress')))
const weak = computed(() => progress.value?.regions.filter((one) => one.weak) ?? [])
const isEmpty = computed(() => !progress.value?.exercises.some((one) => one.weeks.length))
</script>

<template>
  <p v-if="!progress" class="text-soft">Counting …</p>
  <p v-else-if="isEmpty" class="max-w-xl">
    Nothing is answered yet.
    <RouterLink to="/training" class="underline">Try an exercise</RouterLink>: from eight answers on
    it is told here how fine your eye is.
  </p>
  <div v-else class="flex flex-wrap items-start gap-6">
    <div class="min-w-0 flex-1 basis-[560px] space-y-3">
      <p class="max-w-[70ch]">
        Week by week. Left: how many were right, dashed how many by guessing; the thick line is
        three of four, which the questions aim at by getting harder. Right: from which difference on
        three of four are right, in its interval of nine in ten; lower is finer.
      </p>
      <WeekCurve v-for="one in progress.exercises" :key="one.key" :told="one" />
    </div>
    <section class="panel w-full max-w-[430px] overflow-x-auto p-4" aria-labelledby="regions">
      <h2 id="regions" class="mb-2 text-base">By colour</h2>
      <p v-if="weak.length" class="mb-3">
        Weaker than the rest of your answers: <b>{{ weak.map((one) => one.region).join(', ') }}</b>.
      </p>
      <p v-else class="mb-3">No region is surely weaker than the others.</p>
      <table class="w-full">
        <thead>
          <tr class="text-left text-xs text-soft">
            <th scope="col" class="font-normal">Region</th>
            <th scope="col" class="font-normal">Right</th>
            <th scope="col" class="font-normal max-sm:hidden">Expected</th>
            <th scope="col" class="font-normal">Weeks</th>
            <td />
          </tr>
        </thead>
        <tbody>
          <tr v-for="one in progress.regions" :key="one.region" class="border-t border-line">
            <th scope="row" class="py-1.5 text-left" :class="!one.weak && 'font-normal'">
              {{ one.region }}{{ one.weak ? ', weak' : '' }}
            </th>
            <td class="whitespace-nowrap">{{ one.right }} of {{ one.count }}</td>
            <td class="max-sm:hidden">{{ one.expected }}</td>
            <td><RegionCurve :weeks="one.weeks" /></td>
            <td class="text-right">
              <RouterLink
                :to="{ path: '/training/practise', query: { region: one.region } }"
                class="underline"
                :aria-label="`Practise ${one.region}`"
                >Practise</RouterLink
              >
            </td>
          </tr>
        </tbody>
      </table>
      <p class="mt-3 text-xs text-soft">
        Expected is what your own thresholds say of just these questions, so that a region is not
        weak because its questions were hard.
      </p>
    </section>
  </div>
</template>
