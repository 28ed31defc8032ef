<script setup lang="ts">
import { watch } from 'vue'
import PlanView from '@/stages/plan/PlanView.vue'
import { usePlan } from '@/stages/plan/plan'
import { useSet } from './set'

/** The work on all cards of a set, in batches: one stamp, one pad, one stock for all of them. */
const { set } = useSet()
const work = usePlan()
watch(
  () => [set.value?.id, set.value?.version] as const,
  ([id]) => id && work.open(id, 'sets'),
  { immediate: true },
)
</script>

<template>
  <p v-if="work.problem" role="alert" class="border-l-2 border-ink pl-3">{{ work.problem }}</p>
  <p v-else-if="!work.plan || work.of !== 'sets'" class="text-soft">Looking for the order …</p>
  <p v-else-if="!work.plan.tasks.length && !work.plan.past.length" class="panel max-w-xl p-4">
    None of these cards is built of pieces yet.
  </p>
  <PlanView v-else :plan="work.plan" />
</template>
