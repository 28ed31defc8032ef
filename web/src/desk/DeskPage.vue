<script setup lang="ts">
import {
  useDocumentVisibility,
  useIntervalFn,
  useLocalStorage,
  useVibrate,
  useWakeLock,
} from '@vueuse/core'
import { computed, onBeforeUnmount, ref, watch } from 'vue'
import { useRoute } from 'vue-router'
import type { Plan } from '@/api/client'
import { useCard } from '@/card/card'
import { plural } from '@/lib/words'
import DeskCard from '@/drawing/DeskCard.vue'
import { usePlan } from '@/stages/plan/plan'
import { left } from '@/stages/plan/times'
import NothingHere from '@/ui/NothingHere.vue'
import OnOff from '@/ui/OnOff.vue'
import OtherSteps from './OtherSteps.vue'
import StepAtHand from './StepAtHand.vue'
import TimerList from './TimerList.vue'
import { chime } from './chime'

/** The work, one step at a time, for a screen that stands beside it. */
const route = useRoute()
const store = useCard()
const work = usePlan()
const id = computed(() => Number(route.params.id))
watch(id, (card) => card && (void store.open(card), void work.open(card)), { immediate: true })

const now = ref(0)
const BEAT = 250 // ms: what is shown is never a second off
useIntervalFn(() => (now.value = work.now()), BEAT, { immediateCallback: true })
watch(
  () => work.plan,
  () => (now.value = work.now()),
)
// A device that slept counted nothing meanwhile: the server did.
const seen = useDocumentVisibility()
watch(seen, (state) => state === 'visible' && work.open(id.value))

const lock = useWakeLock()
watch(
  seen,
  (state) =>
    state === 'visible' && lock.isSupported.value && lock.request('screen').catch(() => {}),
  {
    immediate: true,
  },
)
onBeforeUnmount(() => lock.release().catch(() => {}))

const free = computed(() =>
  (work.plan?.tasks ?? []).filter((task) => task.free_at !== null && task.free_at <= now.value),
)
const step = computed<Plan['tasks'][number] | undefined>(() => {
  const tasks = work.plan?.tasks ?? []
  return tasks.find((task) => task.key === work.plan!.hand) ?? free.value[0] ?? tasks[0]
})
const waits = computed(() =>
  step.value && step.value.key !== work.plan!.hand && !free.value.includes(step.value)
    ? (step.value.free_at ?? null)
    : null,
)
const isWaiting = computed(
  () => !!step.value && step.value.key !== work.plan!.hand && !free.value.includes(step.value),
)

// When a wait is over it says so: as words, in the page's title, by vibration, and aloud if that is wanted.
const sound = useLocalStorage('jindle-desk-sound', false)
const over = computed(() => (work.plan?.timers ?? []).filter((one) => one.until <= now.value))
const running = computed(() => (work.plan?.timers ?? []).filter((one) => one.until > now.value))
const told = new Set<string>()
const { vibrate } = useVibrate({ pattern: [300, 100, 300] })
watch(over, (timers) => {
  const fresh = timers.filter((one) => !told.has(`${one.key} ${one.until}`))
  for (const one of fresh) told.add(`${one.key} ${one.until}`)
  // What was over before this page was opened is only shown.
  if (!fresh.some((one) => now.value - one.until < 5)) return
  vibrate()
  if (sound.value) chime()
})
watch(
  [
    over,
    () => running.value[0] && left(running.value[0].until - now.value),
    () => store.card?.name,
  ],
  ([gone, remaining, name]) => {
    const first = gone[0]
      ? `Over: ${gone[0].words}`
      : remaining
        ? `${remaining} to wait`
        : 'At the desk'
    document.title = `${first} · ${name ?? ''} · Jindle`
  },
  { immediate: true },
)
const last = computed(() => work.plan?.past.at(-1))
const count = computed(() => (work.plan ? work.plan.past.length + work.plan.tasks.length : 0))
</script>

<template>
  <NothingHere v-if="store.missing" />
  <main v-else-if="work.problem || store.broken" class="p-6" role="alert">
    {{ work.problem || store.broken }}
  </main>
  <main v-else-if="!work.plan || !store.card" class="p-6 text-soft">Laying out the work …</main>
  <div v-else class="flex h-dvh flex-col">
    <header class="flex flex-wrap items-center gap-x-4 gap-y-1 border-b border-line px-4 py-2">
      <RouterLink :to="`/cards/${id}/plan`" class="button !min-h-11">Back to the plan</RouterLink>
      <div
        class="flex min-w-0 flex-1 items-baseline justify-between gap-3 max-sm:order-last max-sm:basis-full"
      >
        <h1 class="truncate text-base">{{ store.card.name }}</h1>
        <span v-if="count" class="shrink-0 text-soft"
          >{{ work.plan.past.length }} of {{ plural(count, 'step') }} done</span
        >
      </div>
      <OnOff v-model="sound" class="min-h-11 max-sm:ml-auto">Sound</OnOff>
      <span class="text-xs text-soft max-sm:hidden">{{
        lock.isActive.value ? 'The screen stays awake.' : 'This screen may go to sleep.'
      }}</span>
    </header>
    <main class="flex min-h-0 flex-1 flex-col overflow-y-auto">
      <TimerList :timers="work.plan.timers" :now="now" />
      <section v-if="!step" class="p-6">
        <h2 class="mb-3 text-xl">
          {{ work.plan.past.length ? 'Everything is done.' : 'Nothing is built yet.' }}
        </h2>
        <p>
          {{
            work.plan.past.length
              ? 'Let what still sets lie flat.'
              : 'Begin from a layout under Build, and the work on it stands here.'
          }}
        </p>
        <RouterLink
          v-if="work.plan.past.length"
          :to="`/cards/${id}/record`"
          class="button button-main mt-4 !min-h-14 !text-base"
          >Write it into the log</RouterLink
        >
        <DeskCard
          v-if="work.plan.past.length"
          :desk="store.card.desk"
          :words="store.card.name"
          class="mt-4 !h-[50dvh]"
        />
      </section>
      <StepAtHand
        v-else
        :plan="work.plan"
        :desk="store.card.desk"
        :task="step"
        :now="now"
        :waiting="isWaiting"
        :until="waits"
        class="flex-1"
      >
        <OtherSteps :steps="free.filter((task) => task.key !== step!.key)" />
      </StepAtHand>
    </main>
    <footer v-if="last" class="border-t border-line px-4 py-2">
      <button
        type="button"
        class="button !min-h-11 max-w-full"
        @click="work.press('back', last.key)"
      >
        <span class="truncate">Take back: {{ last.words }}</span>
      </button>
    </footer>
  </div>
</template>
