<script setup lang="ts">
import type { Plan } from '@/api/client'
import { plural } from '@/lib/words'
import OwnPace from './OwnPace.vue'
import PastSteps from './PastSteps.vue'
import TaskList from './TaskList.vue'
import TimeLine from './TimeLine.vue'
import WishFields from './WishFields.vue'
import WishList from './WishList.vue'
import { span } from './times'

/** The work in the order that fills the waits; the slot is how one goes on with it. */
defineProps<{ plan: Plan }>()
</script>

<template>
  <div>
    <WishFields :plan="plan" class="mb-4" />
    <div class="mb-3 flex flex-wrap items-start gap-x-6 gap-y-2">
      <p class="min-w-0 flex-1 basis-[420px]">
        <template v-if="plan.tasks.length">
          <b>{{ span(plan.minutes_told) }}</b> until all is done, {{ span(plan.hands) }} of it with
          your hands{{
            plan.breaks.length
              ? `, ${plural(plan.breaks.length, 'night')} included`
              : plan.in_turn > plan.minutes
                ? `; one after another it would be ${span(plan.in_turn + plan.set_up)}`
                : ''
          }}.
          {{
            plan.gap >= 0.5
              ? `${plan.aim === 'my-own-order' ? 'Another order is' : 'It might be'} up to ${span(plan.gap)} shorter.`
              : 'No order of these steps is shorter, tool changes left out.'
          }}
          <span class="text-soft"
            >Tools change {{ plural(plan.changes, 'time') }}, about {{ span(plan.set_up) }} of it{{
              plan.set_up_gap === null
                ? ''
                : plan.set_up_gap < 0.5
                  ? ', the least with this end'
                  : `, at best ${span(plan.set_up_gap)} less`
            }}. All times are estimates.</span
          >
        </template>
        <b v-else>Everything is done.</b>
      </p>
      <slot />
    </div>
    <p v-if="plan.too_long.length" class="mb-3 border-l-2 border-ink pl-3">
      <b>Longer than an evening:</b> {{ plan.too_long.join('; ') }}. It has an evening of its own,
      which goes on until it is done.
    </p>
    <WishList :plan="plan" />
    <template v-if="plan.tasks.length">
      <TimeLine :plan="plan" class="mb-5" />
      <PastSteps :plan="plan" />
      <TaskList :plan="plan" />
    </template>
    <PastSteps v-else :plan="plan" />
    <OwnPace :plan="plan" />
    <section v-if="plan.cautions.length" aria-labelledby="plan-care" class="mt-5 max-w-[860px]">
      <h2 id="plan-care" class="mb-1 text-sm">Take care</h2>
      <p v-for="words in plan.cautions" :key="words" class="mb-1 text-xs">{{ words }}</p>
      <p class="text-xs text-soft">
        A product’s label and safety sheet, local rules and qualified people go before what stands
        here.
      </p>
    </section>
  </div>
</template>
