<script setup lang="ts">
import { computed, ref, shallowRef, watch } from 'vue'
import { useRoute } from 'vue-router'
import { api, ApiError, got, type ExerciseKey, type Question, type Scored } from '@/api/client'
import { useNotices } from '@/lib/notices'
import { useScreen } from '@/lib/screen'
import { plural } from '@/lib/words'
import AnsweredView from './AnsweredView.vue'
import ChoiceQuestion from './ChoiceQuestion.vue'
import JoinQuestion from './JoinQuestion.vue'
import OrderQuestion from './OrderQuestion.vue'
import { finely, type Given } from './training'

/** Some questions, one after the other; the truth after each. */
const route = useRoute()
const notices = useNotices()
const { darksRun } = useScreen()
const exercise = computed(() => (route.query.exercise as ExerciseKey) || null)
const card = computed(() => Number(route.query.card) || null)
const region = computed(() => String(route.query.region ?? ''))
const owned = ref(route.query.all === undefined)
const done = ref<boolean[]>([])
const question = shallowRef<Question | null>(null)
const scored = shallowRef<Scored | null>(null)
const problem = ref('')
const busy = ref(false)

async function next() {
  question.value = scored.value = null
  problem.value = ''
  busy.value = true
  try {
    const body = {
      // A question that is asked by its number is the same each time.
      seed: route.query.seed ? Number(route.query.seed) + done.value.length : undefined,
      exercise: exercise.value,
      card: card.value,
      region: region.value,
      owned: owned.value,
      darks: !darksRun.value,
    }
    question.value = await got(api.POST('/api/training/question', { body }))
  } catch (error) {
    if (error instanceof ApiError) problem.value = error.message
    else notices.fail(error)
  } finally {
    busy.value = false
  }
}
async function answer(given: Given) {
  if (busy.value || !question.value) return
  busy.value = true
  try {
    const body = { token: question.value.token, ...given }
    scored.value = await got(api.POST('/api/training/answers', { body }))
    done.value.push(scored.value.answered.right)
  } catch (error) {
    notices.fail(error)
  } finally {
    busy.value = false
  }
}
function begin() {
  done.value = []
  void next()
}
function withAll() {
  owned.value = false
  void next()
}
watch([exercise, card, region], begin, { immediate: true })
const most = computed(() => question.value?.session ?? 0)
const isOver = computed(() => !!scored.value && done.value.length >= most.value)
const right = computed(() => done.value.filter(Boolean).length)
const ask = computed(() =>
  question.value?.orders
    ? OrderQuestion
    : question.value?.exercise === 'will-it-join'
      ? JoinQuestion
      : ChoiceQuestion,
)
const back = computed(() =>
  card.value ? `/cards/${card.value}/${String(route.query.stage ?? '')}` : '/training',
)
function focus(button: unknown) {
  if (button instanceof HTMLElement) button.focus()
}
</script>

<template>
  <main class="overflow-y-auto p-6 small:p-3">
    <header class="head">
      <RouterLink :to="back" class="button">{{ card ? 'Back to the card' : 'Enough' }}</RouterLink>
      <span class="min-w-0 flex-1 text-soft">{{ question?.title }}</span>
      <span v-if="question" class="text-soft" role="status"
        >{{ Math.min(done.length + (scored ? 0 : 1), most) }} of {{ most }}</span
      >
    </header>
    <h1 class="mb-3 text-lg">
      {{ question?.prompt ?? (problem ? 'Nothing to ask' : 'Looking for a question …') }}
    </h1>
    <div v-if="problem" class="max-w-xl">
      <p role="alert" class="mb-3 border-l-2 border-ink pl-3">{{ problem }}</p>
      <div class="flex flex-wrap gap-2">
        <button v-if="owned" type="button" class="button button-main" @click="withAll">
          Practise with colours that I do not own
        </button>
        <RouterLink to="/supplies/mine" class="button">What I own</RouterLink>
        <RouterLink to="/supplies/sure" class="button">How sure my colours are</RouterLink>
      </div>
    </div>
    <div v-else-if="question" class="max-w-5xl">
      <p
        v-if="!scored && (question.comes_back || question.view !== 'colour' || !owned)"
        class="mb-3 text-xs"
      >
        <template v-if="question.comes_back">This one was missed before. </template>
        <template v-if="question.value_only">Judge lightness alone. </template>
        <template v-else-if="question.view === 'greys'"
          >Shown in greys, as when you squint.
        </template>
        <template v-else-if="question.view === 'lamp'"
          >Shown as by a warm lamp (predicted).
        </template>
        <template v-if="!owned">These are colours of all ranges, not yours alone.</template>
      </p>
      <component
        :is="ask"
        v-if="!scored"
        :key="question.token"
        :question="question"
        @answer="answer"
      />
      <template v-else>
        <AnsweredView :answered="scored.answered" />
        <p v-if="scored.comes_back_in" class="mt-2">
          It comes back in {{ plural(scored.comes_back_in, 'day') }}.
        </p>
        <p v-if="scored.threshold" class="mt-2">
          By now you are {{ finely(scored.threshold, scored.unit) }}.
        </p>
        <div v-if="isOver" class="panel mt-4 max-w-xl p-4">
          <p class="mb-3 text-base">
            <b>{{ right }} of {{ done.length }} right.</b> About three of four is as it should be:
            the questions get harder as you get better.
          </p>
          <div class="flex flex-wrap gap-2">
            <button :ref="focus" type="button" class="button button-main" @click="begin">
              Another {{ most }}
            </button>
            <RouterLink to="/training/progress" class="button">How I come on</RouterLink>
            <RouterLink :to="back" class="button">Enough for now</RouterLink>
          </div>
        </div>
        <button v-else :ref="focus" type="button" class="button button-main mt-4" @click="next">
          Next
        </button>
      </template>
    </div>
  </main>
</template>
