<script setup lang="ts">
import { aimEnumValues } from '@/api/schema'
import type { Plan } from '@/api/client'
import { choices } from '@/lib/words'
import ChoiceList from '@/ui/ChoiceList.vue'
import OnOff from '@/ui/OnOff.vue'
import { usePlan } from './plan'
import Field from '@/ui/Field.vue'

/** What is wanted of the order; each is kept as it is said. */
const { plan } = defineProps<{ plan: Plan }>()
const work = usePlan()

function aimAt(aim: Plan['aim']) {
  // An order of one's own begins as what is on screen.
  const order = aim === 'my-own-order' ? { order: plan.tasks.map((task) => task.key) } : {}
  void work.want({ aim, ...order })
}
/** A number in a field; what is none goes back to what it was. */
function number(event: Event, was: number | null, keep: (value: number | null) => void) {
  const field = event.target as HTMLInputElement
  const typed = field.value.trim()
  if (/^\d+$/.test(typed)) keep(Number(typed))
  else if (!typed) keep(null)
  else field.value = was === null ? '' : String(was)
}
</script>

<template>
  <div class="flex flex-wrap items-end gap-x-4 gap-y-3">
    <div>
      <span class="label">Wanted</span>
      <ChoiceList
        :model-value="plan.aim"
        class="w-[190px]"
        label="Wanted"
        :options="choices(aimEnumValues)"
        @update:model-value="aimAt"
      />
    </div>
    <div v-if="work.of === 'cards'">
      <Field label="Cards at once">
        <input
          class="input !w-[90px]"
          inputmode="numeric"
          :value="plan.cards"
          @change="number($event, plan.cards, (cards) => work.want({ cards: cards ?? 1 }))"
        />
      </Field>
    </div>
    <div>
      <Field label="An evening has, minutes">
        <input
          class="input !w-[150px]"
          inputmode="numeric"
          placeholder="all at once"
          :value="plan.evening ?? ''"
          @change="number($event, plan.evening, (evening) => work.want({ evening }))"
        />
      </Field>
    </div>
    <OnOff
      class="mb-2"
      :model-value="plan.cut_first"
      title="A slow ink then stays out of the die machine"
      @update:model-value="(cut_first) => work.want({ cut_first })"
      >Pictures are cut out, then stamped</OnOff
    >
    <fieldset
      v-if="plan.asks_for_child || plan.small_child !== null"
      class="mb-1 flex flex-wrap items-center gap-2"
    >
      <legend class="sr-only">Is it for a small child?</legend>
      <span aria-hidden="true">Is it for a small child?</span>
      <button
        v-for="said in [true, false]"
        :key="String(said)"
        type="button"
        class="button !min-h-7 !px-2"
        :class="plan.small_child === said && 'button-main'"
        :aria-pressed="plan.small_child === said"
        @click="work.want({ small_child: said })"
      >
        {{ said ? 'Yes' : 'No' }}
      </button>
    </fieldset>
  </div>
</template>
