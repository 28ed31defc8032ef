<script setup lang="ts">
import { ref, shallowRef, watch } from 'vue'
import { api, got, type PastAnswer } from '@/api/client'
import { useNotices } from '@/lib/notices'
import { day } from '@/lib/words'
import AppDialog from '@/ui/AppDialog.vue'
import OnOff from '@/ui/OnOff.vue'
import AnsweredView from './AnsweredView.vue'

/** What was answered, the latest first, each with its truth. */
const notices = useNotices()
const missed = ref(false)
const answers = shallowRef<PastAnswer[]>()
const more = ref(false)
const forgetting = ref(false)

async function load(before?: number) {
  try {
    const query = { missed: missed.value, before }
    const found = await got(api.GET('/api/training/answers', { params: { query } }))
    answers.value = before ? [...(answers.value ?? []), ...found.answers] : found.answers
    more.value = found.more
  } catch (error) {
    notices.fail(error)
  }
}
watch(missed, () => load(), { immediate: true })
async function forget() {
  try {
    await got(api.DELETE('/api/training'))
    forgetting.value = false
    await load()
    notices.show('All answers are forgotten. Training begins anew.')
  } catch (error) {
    notices.fail(error)
  }
}
</script>

<template>
  <div class="max-w-4xl">
    <div class="mb-4 flex flex-wrap items-center justify-between gap-4">
      <OnOff v-model="missed">only what I missed</OnOff>
      <button
        v-if="answers?.length"
        type="button"
        class="button button-plain"
        @click="forgetting = true"
      >
        Begin anew …
      </button>
    </div>
    <p v-if="answers && !answers.length" class="text-soft">
      {{ missed ? 'Nothing was missed.' : 'Nothing is answered yet.' }}
    </p>
    <ul class="space-y-3">
      <li v-for="one in answers" :key="one.id" class="panel p-4">
        <p class="mb-2 text-xs text-soft">
          {{ day(one.at) }}{{ one.on_paper ? ', on paper' : '' }}: {{ one.answered.prompt }}
        </p>
        <AnsweredView :answered="one.answered" small />
      </li>
    </ul>
    <button v-if="more" type="button" class="button mt-3" @click="load(answers!.at(-1)!.id)">
      Earlier ones
    </button>
    <AppDialog v-if="forgetting" title="Begin anew" @close="forgetting = false">
      <p class="mb-4">
        Every answer is forgotten, how fine your eye is, and what was to come back. This cannot be
        undone.
      </p>
      <button type="button" class="button button-main" @click="forget">Forget all answers</button>
    </AppDialog>
  </div>
</template>
