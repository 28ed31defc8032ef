<script setup lang="ts">
import { PlayIcon } from '@heroicons/vue/20/solid'
import { watch } from 'vue'
import { useCard } from '@/card/card'
import PlanView from './PlanView.vue'
import { usePlan } from './plan'

/** Everything that is to be done, in the order that fills the waits; what of it is done. */
const store = useCard()
const work = usePlan()
watch([() => store.card?.id, () => store.card?.version], ([id]) => id && work.open(id), {
  immediate: true,
})
</script>

<template>
  <p v-if="work.problem" role="alert" class="border-l-2 border-ink pl-3">{{ work.problem }}</p>
  <p v-else-if="!work.plan" class="text-soft">Looking for the order …</p>
  <p v-else-if="!work.plan.tasks.length && !work.plan.past.length" class="panel max-w-xl p-4">
    Nothing is built yet. Begin from a layout under Build, and what is to be done stands here.
  </p>
  <PlanView v-else :plan="work.plan">
    <RouterLink :to="`/cards/${store.card!.id}/desk`" class="button button-main">
      <PlayIcon class="size-4" aria-hidden="true" />{{
        work.plan.past.length ? 'Go on at the desk' : 'Begin at the desk'
      }}
    </RouterLink>
  </PlanView>
</template>
