<script setup lang="ts">
import { ArrowDownIcon, ArrowUpIcon, CheckIcon } from '@heroicons/vue/20/solid'
import { computed } from 'vue'
import type { Plan } from '@/api/client'
import { useSession } from '@/lib/session'
import { useSoon } from '@/lib/soon'
import { plural } from '@/lib/words'
import { usePlan } from './plan'
import { span, when } from './times'

/** The steps in their order: when, with what, how in particular, why not sooner, and what is done meanwhile. */
const { plan } = defineProps<{ plan: Plan }>()
const session = useSession()
const work = usePlan()
const whole = useSoon()
const FIRST = 3 // of the steps are drawn before the others
const tasks = computed(() => plan.tasks.slice(0, whole.value ? undefined : FIRST))
const dries = computed(() => new Map(plan.dries.map((one) => [one.key, one])))

// A card is worked on at the desk, where what is done is pressed; a set is ticked off here.
const done = computed(() =>
  work.of === 'sets'
    ? ({ press: 'done', words: 'Done' } as const)
    : ({ press: 'already', words: 'Done already' } as const),
)
const NAMED = 3 // of what fills a wait
const some = (words: string[]) =>
  [
    words.slice(0, NAMED).join('; '),
    words.length > NAMED && ` and ${plural(words.length - NAMED, 'step')} more`,
  ]
    .filter(Boolean)
    .join('')

/** One place up or down: in an order of one's own so, else as a wish that the one be before the other. */
function move(place: number, by: -1 | 1) {
  const [task, other] = [plan.tasks[place]!, plan.tasks[place + by]!]
  const [first, then] = by < 0 ? [task.key, other.key] : [other.key, task.key]
  if (plan.aim === 'my-own-order') {
    const order = plan.tasks.map((one) => one.key)
    order.splice(place, 1)
    order.splice(place + by, 0, task.key)
    return work.want({ order })
  }
  return work.want((now) => ({
    before: [
      ...now.wishes
        .map((one) => [one.first, one.then])
        .filter(([a, b]) => !(a === then && b === first)),
      [first, then],
    ],
  }))
}
</script>

<template>
  <ol class="max-w-[860px] space-y-1.5" :aria-busy="!whole">
    <li
      v-for="(task, n) in tasks"
      :key="task.key"
      class="panel task grid grid-cols-[34px_64px_minmax(0,1fr)_auto] items-start gap-x-2 p-2 max-sm:grid-cols-[30px_minmax(0,1fr)]"
      :class="{ wrong: task.wrong.length }"
    >
      <span class="text-center font-title text-base">{{ n + 1 }}</span>
      <span class="text-xs leading-6">{{ when(plan, task.start) }}</span>
      <div class="min-w-0 max-sm:col-span-2">
        <b class="block break-words">{{ task.words }}</b>
        <span v-if="task.key === plan.hand" class="mr-1 text-xs font-semibold"
          >in your hands ·
        </span>
        <span class="text-xs">{{ span(task.minutes) }}</span>
        <span v-if="dries.has(task.key)" class="text-xs"
          >, then {{ span(dries.get(task.key)!.end - dries.get(task.key)!.start) }} by itself</span
        >
        <span v-if="dries.get(task.key)?.meanwhile.length" class="block text-xs text-soft">
          Meanwhile: {{ some(dries.get(task.key)!.meanwhile) }}
        </span>
        <p v-for="words in task.wrong" :key="words" class="text-xs">
          <b>Too early:</b> it comes {{ words }}.
        </p>
        <p v-if="task.was" class="text-xs">
          <b>The card was changed since you did this</b> as: {{ task.was }}.
        </p>
        <details class="text-xs">
          <summary class="w-fit cursor-pointer text-soft">How, and why not sooner</summary>
          <p class="mt-1">{{ task.why || 'Nothing is in the way of it sooner.' }}</p>
          <ol v-if="task.steps.length" class="mt-1 list-disc space-y-0.5 pl-4">
            <li v-for="(step, m) in task.steps" :key="m">
              <b v-if="step.using !== null">{{ task.supplies[step.using]?.words }}: </b
              >{{ step.words }}
            </li>
          </ol>
          <p v-for="words in task.cautions" :key="words" class="mt-1">
            <b>Take care.</b> {{ words }}
          </p>
        </details>
      </div>
      <div
        class="flex flex-col items-end gap-1 max-sm:col-span-2 max-sm:flex-row-reverse max-sm:items-center max-sm:justify-between"
      >
        <span class="flex gap-0.5">
          <button
            type="button"
            class="button button-plain !min-h-7 !px-1"
            :disabled="n === 0"
            :aria-label="`Earlier: ${task.words}`"
            title="Earlier"
            @click="move(n, -1)"
          >
            <ArrowUpIcon class="size-4" aria-hidden="true" />
          </button>
          <button
            type="button"
            class="button button-plain !min-h-7 !px-1"
            :disabled="n === plan.tasks.length - 1"
            :aria-label="`Later: ${task.words}`"
            title="Later"
            @click="move(n, 1)"
          >
            <ArrowDownIcon class="size-4" aria-hidden="true" />
          </button>
          <button
            type="button"
            class="button button-plain !min-h-7 !px-1"
            :aria-label="`${done.words}: ${task.words}`"
            :title="done.words"
            @click="work.press(done.press, task.key)"
          >
            <CheckIcon class="size-4" aria-hidden="true" />
          </button>
        </span>
        <span class="flex max-w-28 flex-wrap justify-end gap-1">
          <span
            v-for="one in task.supplies"
            :key="one.words"
            class="size-5 rounded-data border border-line"
            :style="{ background: one.shades[session.view] }"
            :title="one.words"
          />
        </span>
      </div>
    </li>
  </ol>
</template>

<style scoped>
/* A long plan is laid out as far as it is looked at. */
.task {
  content-visibility: auto;
  contain-intrinsic-size: auto 80px;
}
.wrong {
  border: 2px solid var(--ink);
}
</style>
