<script setup lang="ts">
import { computed, ref } from 'vue'
import { api, ApiError, form, got, type WholeRange } from '@/api/client'
import { useNotices } from '@/lib/notices'
import { plural } from '@/lib/words'
import FileButton from '@/ui/FileButton.vue'
import PrintedChart from './PrintedChart.vue'
import WordTip from '@/words/WordTip.vue'

/** A chart to print and fill, the range as open files, and readings out and in. */
const { range } = defineProps<{ range: WholeRange }>()
const emit = defineEmits<{ changed: [] }>()
const notices = useNotices()
const problem = ref('')
const FILES = [
  ['csv', 'CSV', 'for a spreadsheet, and back'],
  ['json', 'JSON', 'everything, with spectra, and back'],
  ['txt', 'CGATS text', 'for colour measuring programs, and back'],
  ['gpl', '.gpl palette', 'screen colours for drawing programs'],
  ['tokens.json', 'Design tokens', 'the W3C community group’s format'],
] as const

const charts = computed(() => [
  { words: 'Letter', query: 'sheet=letter' },
  { words: 'A4', query: 'sheet=a4' },
  ...(range.owned && range.owned < range.count
    ? [
        { words: 'Letter, only mine', query: 'sheet=letter&owned=true', less: true },
        { words: 'A4, only mine', query: 'sheet=a4&owned=true', less: true },
      ]
    : []),
])

async function bring(file: File) {
  problem.value = ''
  try {
    const { count } = await got(
      api.POST('/api/ranges/{id}/readings', {
        params: { path: { id: range.id } },
        body: form('/api/ranges/{id}/readings', { file }),
      }),
    )
    notices.show(`${plural(count, 'reading')} kept from ${file.name}.`)
    emit('changed')
  } catch (error) {
    problem.value = error instanceof ApiError ? error.message : String(error)
  }
}
</script>

<template>
  <div class="grid max-w-[920px] gap-5 md:grid-cols-2">
    <section class="panel p-5" aria-labelledby="print">
      <h2 id="print" class="mb-2 text-base">A chart to fill by hand</h2>
      <p class="mb-4">
        A PDF with an empty box for every colour, family by family from light to dark: fill each
        with the colour itself, and you see what it is on your paper. Photographed, the whole page
        becomes readings.
      </p>
      <div class="flex flex-wrap gap-2">
        <PrintedChart :path="`/api/ranges/${range.id}/chart`" :kinds="charts" main />
        <RouterLink class="button" :to="`/supplies/photograph?range=${range.id}`"
          >Read it from a photo</RouterLink
        >
      </div>
    </section>
    <section class="panel p-5" aria-labelledby="files">
      <h2 id="files" class="mb-2 text-base">The range as a file</h2>
      <ul class="space-y-1.5">
        <li v-for="[kind, words, note] in FILES" :key="kind">
          <a class="underline" :href="`/api/ranges/${range.id}/file/${kind}`">{{ words }}</a>,
          {{ note }}
        </li>
      </ul>
    </section>
    <section class="panel p-5" aria-labelledby="readings-file">
      <h2 id="readings-file" class="mb-2 text-base">My readings of it</h2>
      <p class="mb-4">
        A text file of a colour measuring program<WordTip word="CGATS.17" />, one layer on white.
        What names another illuminant is converted, what cannot be is refused.
      </p>
      <p v-if="problem" role="alert" class="mb-3 border-l-2 border-ink pl-3">{{ problem }}</p>
      <div class="flex flex-wrap gap-2">
        <FileButton accept=".txt,.cgats,.ti3" @file="bring">Bring in readings</FileButton>
        <a class="button" :href="`/api/ranges/${range.id}/readings`">Save my readings</a>
      </div>
    </section>
  </div>
</template>
