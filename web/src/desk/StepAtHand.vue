<script setup lang="ts">
import { computed, ref } from 'vue'
import type { Desk, Plan } from '@/api/client'
import { useSession } from '@/lib/session'
import InsteadDialog from '@/stages/plan/InsteadDialog.vue'
import { usePlan } from '@/stages/plan/plan'
import { left, span } from '@/stages/plan/times'
import StepPicture from './StepPicture.vue'

/** One step, large: what, with which colours, how, to what, and what is to be pressed. */
const { plan, task, now, waiting, until } = defineProps<{
  plan: Plan
  desk: Desk
  task: Plan['tasks'][number]
  now: number
  waiting: boolean // something must be over before it
  until: number | null // the second when it is; null: something must be done before
}>()
const session = useSession()
const work = usePlan()
const inHand = computed(() => plan.hand === task.key)
const spent = computed(() => plan.spent + (now - plan.since) / 60)
const dries = computed(() => plan.timers.find((one) => one.until > now))
const usual = computed(() => plan.dries.find((one) => one.key === task.key))
const adding = ref(false)
const following = computed(() => plan.tasks.find((one) => one.key !== task.key))
const begun = computed(() => inHand.value || (plan.past.length > 0 && !waiting))
</script>

<template>
  <article class="grid gap-4 p-4 lg:grid-cols-[minmax(0,11fr)_minmax(0,9fr)]">
    <StepPicture
      :desk="desk"
      :pieces="task.pieces"
      :areas="task.areas"
      class="h-[30dvh] lg:sticky lg:top-4 lg:h-[66dvh]"
    />
    <div class="flex flex-col gap-4">
      <div>
        <p class="text-sm text-soft">
          <template v-if="waiting">
            Nothing for your hands{{ until === null ? '' : ` for ${left(until - now)}` }}. Then:
          </template>
          <template v-else-if="dries">Meanwhile</template>
          <template v-else>{{ plan.past.length ? 'Now' : 'First' }}</template>
          <template v-if="plan.cards > 1"> · for {{ plan.cards }} cards</template>
        </p>
        <h2 class="text-xl max-sm:text-lg">{{ task.words }}</h2>
        <p class="mt-1">
          about {{ span(task.minutes) }}
          <template v-if="inHand"> · so far {{ span(spent) }}</template>
          <template v-if="usual">
            · then {{ span(usual.end - usual.start) }} by itself:
            {{ usual.words.slice(task.words.length + 2) }}</template
          >
        </p>
        <p v-if="waiting && task.needs" class="mt-1">It waits for {{ task.needs }}.</p>
        <p v-if="task.was" class="mt-1">
          <b>The card was changed since you did this</b> as: {{ task.was }}.
        </p>
      </div>
      <ul v-if="task.supplies.length" aria-label="With" class="flex flex-wrap gap-3">
        <li v-for="one in task.supplies" :key="one.words" class="flex items-center gap-2">
          <span
            class="size-12 shrink-0 rounded-data border border-line"
            :style="{ background: one.shades[session.view] }"
          />
          <b>{{ one.words }}</b>
        </li>
      </ul>
      <ol v-if="task.steps.length" class="space-y-1.5">
        <li v-for="(step, n) in task.steps" :key="n" class="flex items-start gap-2">
          <span
            class="mt-0.5 size-4 shrink-0 rounded-data border"
            :class="step.using === null ? 'border-transparent' : 'border-line'"
            :style="{
              background:
                step.using === null ? 'none' : task.supplies[step.using]?.shades[session.view],
            }"
          />
          <span
            ><b v-if="step.using !== null">{{ task.supplies[step.using]?.words }}: </b
            >{{ step.words }}</span
          >
        </li>
      </ol>
      <p v-for="words in task.cautions" :key="words" class="border-l-4 border-ink pl-3 text-sm">
        <b>Take care.</b> {{ words }}
      </p>
      <p v-if="task.cautions.length" class="-mt-2 text-xs text-soft">
        Labels, safety sheets and local rules go before what stands here.
      </p>
      <button
        v-if="task.supplies.some((one) => one.id !== null)"
        type="button"
        class="button !min-h-11 w-fit"
        @click="adding = true"
      >
        I used something else
      </button>
      <p v-if="following" class="text-sm text-soft">After it: {{ following.words }}</p>
      <slot />
      <div
        class="sticky bottom-0 -mx-4 mt-auto flex flex-wrap gap-2 border-t border-line bg-room px-4 py-3"
      >
        <button
          v-if="begun"
          type="button"
          class="button button-main !min-h-14 flex-1 basis-full !text-base"
          @click="work.press('done', task.key, { go_on: true })"
        >
          Done{{ usual ? `: ${span(usual.end - usual.start)} begin` : '' }}
        </button>
        <button
          v-if="!inHand"
          type="button"
          class="button !min-h-14 flex-1 basis-[45%] !text-base"
          :class="!begun && !waiting && 'button-main'"
          @click="work.press('begin', task.key)"
        >
          {{ waiting ? 'Begin all the same' : 'Begin' }}
        </button>
        <button
          v-else
          type="button"
          class="button !min-h-14 flex-1 basis-[45%]"
          @click="work.press('put-down', task.key)"
        >
          Put it down
        </button>
        <button
          type="button"
          class="button !min-h-14 flex-1 basis-[30%]"
          @click="work.press('skip', task.key, { go_on: inHand })"
        >
          Leave it out
        </button>
      </div>
    </div>
    <InsteadDialog v-if="adding" :tasks="[task]" @close="adding = false" />
  </article>
</template>
