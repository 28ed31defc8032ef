<script setup lang="ts">
import { PlayIcon } from '@heroicons/vue/20/solid'
import { watch } from 'vue'
import { useCard } from '@/card/card'
import { plural } from '@/lib/words'
import OwnPace from './OwnPace.vue'
import PastSteps from './PastSteps.vue'
import TaskList from './TaskList.vue'
import TimeLine from './TimeLine.vue'
import WishFields from './WishFields.vue'
import WishList from './WishList.vue'
import { usePlan } from './plan'
import { span } from './times'

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
  <div v-else>
    <WishFields :plan="work.plan" class="mb-4" />
    <div class="mb-3 flex flex-wrap items-start gap-x-6 gap-y-2">
      <p class="min-w-0 flex-1 basis-[420px]">
        <template v-if="work.plan.tasks.length">
          <b>{{ span(work.plan.minutes) }}</b> until all is done, {{ span(work.plan.hands) }} of it
          with your hands{{
            work.plan.breaks.length
              ? `, ${plural(work.plan.breaks.length, 'night')} included`
              : work.plan.in_turn > work.plan.minutes
                ? `; one after another it would be ${span(work.plan.in_turn)}`
                : ''
          }}.
          {{
            work.plan.gap >= 0.5
              ? `${work.plan.aim === 'my-own-order' ? 'Another order is' : 'It might be'} up to ${span(work.plan.gap)} shorter.`
              : 'No order of these steps is shorter.'
          }}
          <span class="text-soft"
            >Tools change {{ plural(work.plan.changes, 'time') }}, which takes about
            {{ span(work.plan.set_up) }} besides{{
              work.plan.set_up_gap === null
                ? ''
                : work.plan.set_up_gap < 0.5
                  ? ', the least with this end'
                  : `, at best ${span(work.plan.set_up_gap)} less`
            }}. All times are estimates.</span
          >
        </template>
        <b v-else>Everything is done.</b>
      </p>
      <RouterLink :to="`/cards/${store.card!.id}/desk`" class="button button-main">
        <PlayIcon class="size-4" aria-hidden="true" />{{
          work.plan.past.length ? 'Go on at the desk' : 'Begin at the desk'
        }}
      </RouterLink>
    </div>
    <p v-if="work.plan.too_long.length" class="mb-3 border-l-2 border-ink pl-3">
      <b>Longer than an evening:</b> {{ work.plan.too_long.join('; ') }}. It has an evening of its
      own, which goes on until it is done.
    </p>
    <WishList :plan="work.plan" />
    <template v-if="work.plan.tasks.length">
      <TimeLine :plan="work.plan" class="mb-5" />
      <PastSteps :plan="work.plan" />
      <TaskList :plan="work.plan" />
    </template>
    <PastSteps v-else :plan="work.plan" />
    <OwnPace :plan="work.plan" />
    <section
      v-if="work.plan.cautions.length"
      aria-labelledby="plan-care"
      class="mt-5 max-w-[860px]"
    >
      <h2 id="plan-care" class="mb-1 text-sm">Take care</h2>
      <p v-for="words in work.plan.cautions" :key="words" class="mb-1 text-xs">{{ words }}</p>
      <p class="text-xs text-soft">
        A product’s label and safety sheet, local rules and qualified people go before what stands
        here.
      </p>
    </section>
  </div>
</template>
