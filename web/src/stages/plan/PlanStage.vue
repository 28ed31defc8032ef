<script setup lang="ts">
import { computed, ref } from 'vue'
import { api, got } from '@/api/client'
import { pathsApiCardsIdPlanGetParametersQueryAimValues as aimValues } from '@/api/schema'
import { useCard } from '@/card/card'
import { useFetched } from '@/lib/fetched'
import { choices } from '@/lib/words'
import ChoiceList from '@/ui/ChoiceList.vue'
import OnOff from '@/ui/OnOff.vue'
import TaskList from './TaskList.vue'
import TimeLine from './TimeLine.vue'
import { span } from './times'

/** Everything that is to be done, in the order that fills the waits. */
const store = useCard()
const aim = ref<(typeof aimValues)[number]>('soonest-finished')
const cutFirst = ref(false)
const evening = ref('')
const minutes = computed(() => (/^\d+$/.test(evening.value) ? Number(evening.value) : undefined))
const { data: plan, problem } = useFetched(
  [() => store.card?.version, aim, cutFirst, minutes],
  () =>
    got(
      api.GET('/api/cards/{id}/plan', {
        params: {
          path: { id: store.card!.id },
          query: { aim: aim.value, cut_first: cutFirst.value, evening: minutes.value },
        },
      }),
    ),
)
</script>

<template>
  <div>
    <div class="mb-4 flex flex-wrap items-end gap-4">
      <div>
        <span class="label">Wanted</span>
        <ChoiceList v-model="aim" class="w-[210px]" label="Wanted" :options="choices(aimValues)" />
      </div>
      <div>
        <label class="label" for="evening">An evening has, minutes</label>
        <input
          id="evening"
          v-model.lazy="evening"
          class="input w-[150px]"
          inputmode="numeric"
          placeholder="all at once"
        />
      </div>
      <OnOff v-model="cutFirst" class="mb-2">Pictures are cut out, then stamped</OnOff>
    </div>
    <p v-if="problem" role="alert" class="border-l-2 border-ink pl-3">{{ problem }}</p>
    <p v-else-if="!plan" class="text-soft">Looking for the order …</p>
    <p v-else-if="!plan.tasks.length" class="panel max-w-xl p-4">
      Nothing is built yet. Begin from a layout under Build, and what is to be done stands here.
    </p>
    <template v-else>
      <p class="mb-3">
        <b>{{ span(plan.minutes) }}</b> until all is done, {{ span(plan.hands) }} of it with your
        hands{{
          plan.breaks.length
            ? ', the night between included.'
            : `; one after another it would be ${span(plan.in_turn)}.`
        }}
        {{
          plan.gap
            ? `It might be ${span(plan.gap)} shorter at most.`
            : 'No order of these steps is shorter.'
        }}
        <span class="text-soft"
          >Tools change {{ plan.changes }} times. All times are estimates.</span
        >
      </p>
      <p v-if="plan.too_long.length" class="mb-3 border-l-2 border-ink pl-3">
        <b>Longer than an evening:</b> {{ plan.too_long.join('; ') }}. It is put after the night.
      </p>
      <TimeLine :plan="plan" class="mb-5" />
      <TaskList :plan="plan" />
      <section v-if="plan.cautions.length" aria-labelledby="plan-care" class="mt-5 max-w-[860px]">
        <h2 id="plan-care" class="mb-1 text-sm">Take care</h2>
        <p v-for="words in plan.cautions" :key="words" class="mb-1 text-xs">{{ words }}</p>
        <p class="text-xs text-soft">
          A product’s label and safety sheet, local rules and qualified people go before what stands
          here.
        </p>
      </section>
    </template>
  </div>
</template>
