<script setup lang="ts">
import { computed, ref } from 'vue'
import { api, ApiError, got, type Mood } from '@/api/client'
import { useFetched } from '@/lib/fetched'
import { useNotices } from '@/lib/notices'
import { useSession } from '@/lib/session'
import AppDialog from '@/ui/AppDialog.vue'
import type { Column } from './ways'
import Field from '@/ui/Field.vue'

/** A season or place of one's own, begun from another: its hues, how light and how strong it is, and why. */
const { from, question } = defineProps<{
  from: Mood
  question: { column: Column; owned: boolean }
}>()
const emit = defineEmits<{ close: []; kept: [] }>()
const session = useSession()
const notices = useNotices()
const MOST = 4
const said = ref({
  title: from.own ? from.title : `${from.title}, mine`,
  about: from.about,
  hues: from.hues.map(({ middle, reach }) => ({ middle: Math.round(middle), reach })),
  lightness: [...from.lightness] as number[],
  chroma: [...from.chroma] as number[],
})
const problem = ref('')
// Copied whole, so that every part of it is watched.
const asked = computed(() => ({
  title: said.value.title || 'mine',
  about: said.value.about,
  hues: said.value.hues.map((hue) => ({ ...hue })),
  lightness: [...said.value.lightness],
  chroma: [...said.value.chroma],
  ...question,
}))
const tried = useFetched(
  asked,
  () =>
    got(
      api.POST('/api/palettes/moods', { body: { ...asked.value, keep: false } }),
    ) as Promise<Mood>,
)
const role = (at: number) =>
  at === 0 ? 'leads' : at === said.value.hues.length - 1 ? 'the accent' : 'supports'

async function keep() {
  problem.value = ''
  try {
    await got(api.POST('/api/palettes/moods', { body: { ...asked.value, keep: true } }))
    notices.show(`“${said.value.title}” is kept among your seasons and places.`)
    emit('kept')
  } catch (error) {
    problem.value = error instanceof ApiError ? error.message : String(error)
  }
}
</script>

<template>
  <AppDialog title="A season or place of my own" @close="$emit('close')">
    <form class="space-y-4" @submit.prevent="keep">
      <Field label="Name" class="block">
        <input v-model="said.title" class="input" required :maxlength="session.limits?.name" />
      </Field>
      <Field label="Why these colours" class="block">
        <textarea v-model="said.about" class="input" rows="2" maxlength="300" />
      </Field>
      <fieldset class="space-y-2">
        <legend class="label">Hues</legend>
        <div v-for="(hue, at) in said.hues" :key="at" class="flex items-center gap-3">
          <span
            class="size-7 shrink-0 rounded-data border border-line"
            :style="{ background: tried.data.value?.hues[at]?.shades[session.view] }"
          />
          <label class="flex min-w-0 flex-1 items-center gap-2 text-xs"
            ><span class="w-20">{{ role(at) }}</span
            ><input
              v-model.lazy.number="hue.middle"
              type="range"
              min="0"
              max="359"
              class="min-w-0 flex-1"
          /></label>
          <button
            v-if="said.hues.length > 1"
            type="button"
            class="button button-plain !min-h-8 !px-2"
            @click="said.hues.splice(at, 1)"
          >
            Leave out<span class="sr-only"> hue {{ at + 1 }}</span>
          </button>
        </div>
        <button
          v-if="said.hues.length < MOST"
          type="button"
          class="button !min-h-8"
          @click="said.hues.push({ middle: (said.hues.at(-1)!.middle + 120) % 360, reach: 10 })"
        >
          One more hue
        </button>
      </fieldset>
      <div class="grid gap-3 text-xs sm:grid-cols-2">
        <Field v-for="(words, at) in ['Darkest, L*', 'Lightest, L*']" :key="words" :label="words">
          <input
            v-model.lazy.number="said.lightness[at]"
            type="range"
            min="0"
            max="100"
            class="w-full"
          />
        </Field>
        <Field v-for="(words, at) in ['Weakest', 'Strongest']" :key="words" :label="words">
          <input
            v-model.lazy.number="said.chroma[at]"
            type="range"
            min="0"
            max="0.3"
            step="0.01"
            class="w-full"
          />
        </Field>
      </div>
      <div v-if="tried.data.value?.landing" class="flex h-12 overflow-hidden rounded-data">
        <span
          v-for="(colour, n) in tried.data.value.landing.colours"
          :key="n"
          class="flex-1"
          :title="colour.name"
          :style="{ background: (colour.match?.swatch.shades ?? colour.wanted)[session.view] }"
        />
      </div>
      <p v-if="problem || tried.problem.value" role="alert" class="border-l-2 border-ink pl-3">
        {{ problem || tried.problem.value }}
      </p>
      <button type="submit" class="button button-main">Keep it</button>
    </form>
  </AppDialog>
</template>
