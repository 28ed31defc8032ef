<script setup lang="ts">
import { computed, ref, shallowRef } from 'vue'
import { api, form, got, type ExerciseKey, type SheetScored, type Camera } from '@/api/client'
import { useFetched } from '@/lib/fetched'
import { usePasted } from '@/lib/reading'
import { useNotices } from '@/lib/notices'
import { day, plural } from '@/lib/words'
import ChoiceList from '@/ui/ChoiceList.vue'
import DotsMenu from '@/ui/DotsMenu.vue'
import PictureButton from '@/ui/PictureButton.vue'
import TheCamera from '@/ui/TheCamera.vue'
import SheetScore from './SheetScore.vue'

/** Exercises on paper: a page is printed, laid by hand, photographed, scored. */
const notices = useNotices()
const { data: training } = useFetched([], () => got(api.GET('/api/training')))
const { data: sheets, refresh } = useFetched([], () => got(api.GET('/api/training/sheets')))
const exercise = ref<ExerciseKey>('lighter-or-darker' as ExerciseKey)
const size = ref<'letter' | 'a4'>('letter')
const chosen = ref<number>()
const scored = shallowRef<SheetScored | null>(null)
const problem = ref('')
const busy = ref(false)
const exercises = computed(() =>
  (training.value?.exercises ?? []).map((one) => ({ value: one.key, words: one.title })),
)
const sheet = computed(() => sheets.value?.find((one) => one.id === chosen.value))

async function make() {
  problem.value = ''
  try {
    const body = { exercise: exercise.value, sheet: size.value, owned: true }
    const made = await got(api.POST('/api/training/sheets', { body }))
    await refresh()
    choose(made.id)
  } catch (error) {
    problem.value = error instanceof Error ? error.message : ''
  }
}
function choose(pk: number) {
  chosen.value = pk
  scored.value = null
  problem.value = ''
}
async function score(picture: Blob, name = 'page.jpg') {
  if (!chosen.value) return
  busy.value = true
  problem.value = ''
  try {
    scored.value = await got(
      api.POST('/api/training/sheets/{id}/photo', {
        params: { path: { id: chosen.value } },
        body: form('/api/training/sheets/{id}/photo', {
          file: new File([picture], name, { type: picture.type }),
        }),
      }),
    )
    await refresh()
  } catch (error) {
    scored.value = null
    problem.value = error instanceof Error ? error.message : ''
  } finally {
    busy.value = false
  }
}
async function shoot(light: Camera['lights'][number]) {
  const answer = await api.POST('/api/camera/training/{id}', {
    params: { path: { id: chosen.value! } },
    body: { light },
    parseAs: 'blob',
  })
  return { picture: answer.data as unknown as Blob, name: 'page' }
}
async function drop(pk: number) {
  try {
    await got(api.DELETE('/api/training/sheets/{id}', { params: { path: { id: pk } } }))
    if (chosen.value === pk) chosen.value = undefined
    await refresh()
    notices.show('The page is thrown away; what was answered on it stays.')
  } catch (error) {
    notices.fail(error)
  }
}
usePasted((picture) => void score(picture, picture.name))
</script>

<template>
  <div class="flex flex-wrap items-start gap-6">
    <div class="min-w-0 flex-1 basis-[380px]">
      <p class="mb-3 max-w-[60ch]">
        A page of up to eight questions, to be laid by hand with your own colours under your own
        lamp. Print it, fill it, photograph it: it is scored. The answers stand on the back.
      </p>
      <form class="mb-4 flex flex-wrap items-end gap-3" @submit.prevent="make">
        <div>
          <span class="label">Exercise</span>
          <ChoiceList v-model="exercise" class="w-[190px]" label="Exercise" :options="exercises" />
        </div>
        <div>
          <span class="label">Paper</span>
          <ChoiceList
            v-model="size"
            class="w-[110px]"
            label="Paper"
            :options="[
              { value: 'letter', words: 'Letter' },
              { value: 'a4', words: 'A4' },
            ]"
          />
        </div>
        <button type="submit" class="button button-main">Make a page</button>
      </form>
      <p v-if="problem && !chosen" role="alert" class="mb-3 border-l-2 border-ink pl-3">
        {{ problem }}
        <RouterLink to="/supplies/mine" class="underline">What I own</RouterLink>
      </p>
      <p v-if="sheets && !sheets.length" class="text-soft">No page is made yet.</p>
      <ul v-else class="space-y-2" aria-label="Pages">
        <li
          v-for="one in sheets ?? []"
          :key="one.id"
          class="panel flex flex-wrap items-center gap-x-3 gap-y-1 p-3"
          :class="one.id === chosen && 'border-ink'"
        >
          <span class="min-w-0 flex-1"
            ><b>{{ one.title }} {{ one.number }}</b>
            <span class="block text-xs text-soft"
              >{{ day(one.made) }}, {{ plural(one.questions, 'question')
              }}{{
                one.answered ? `: ${one.right} of ${one.answered} right` : ', not scored yet'
              }}</span
            ></span
          >
          <a
            class="button"
            :href="`/api/training/sheets/${one.id}`"
            :aria-label="`Print ${one.title} ${one.number}`"
            >Print</a
          >
          <button
            type="button"
            class="button"
            :aria-pressed="one.id === chosen"
            @click="choose(one.id)"
          >
            Score
          </button>
          <DotsMenu
            :label="`More for page ${one.number}`"
            :items="[{ words: 'Throw it away', run: () => drop(one.id) }]"
          />
        </li>
      </ul>
    </div>
    <div v-if="sheet" class="min-w-0 flex-1 basis-[420px] space-y-4">
      <h2 class="text-base">{{ sheet.title }} {{ sheet.number }}, photographed</h2>
      <PictureButton @file="(file) => score(file, file.name)">Choose a photograph</PictureButton>
      <p v-if="busy" class="text-soft">Reading the page …</p>
      <p v-if="problem" role="alert" class="border-l-2 border-ink pl-3">{{ problem }}</p>
      <SheetScore v-if="scored" :scored="scored" />
      <TheCamera
        v-else
        about="It pictures this page as a made-up hand would have filled it, with an eye as fine as yours is known to be, under a made-up lamp. What it scores counts as answered: on a page that you mean to fill yourself, use a photograph."
        :shoot="shoot"
        @taken="score"
      />
    </div>
  </div>
</template>
