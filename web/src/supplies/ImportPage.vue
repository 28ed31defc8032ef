<script setup lang="ts">
import { reactive, ref } from 'vue'
import { useRouter } from 'vue-router'
import { api, ApiError, form, got, type Preview, type Problem } from '@/api/client'
import { useNotices } from '@/lib/notices'
import { follow } from '@/api/stream'
import { plural } from '@/lib/words'
import OnOff from '@/ui/OnOff.vue'
import ProblemList from '@/ui/ProblemList.vue'
import ColumnChoice from './ColumnChoice.vue'
import PreviewTable from './PreviewTable.vue'
import RangeDetails, { type Details } from './RangeDetails.vue'

/** From a CSV file to a range: look at it first, store nothing until it is confirmed. */
const sample = `${import.meta.env.BASE_URL}sample-range.csv`
const router = useRouter()
const notices = useNotices()
const file = ref<File | null>(null)
const preview = ref<Preview | null>(null)
const columns = ref<Record<string, string>>({})
const header = ref<string[]>([])
const problems = ref<Problem[]>([])
const busy = ref(false)
const over = ref(false)
const share = ref<number | null>(null)
const withoutCodes = ref(false)
const details = reactive<Details>({
  name: '',
  maker: '',
  medium: '',
  note: '',
  provenance: 'label',
})

let guessed: Details['medium'] = '' // out of the file: what somebody chose instead is theirs
let asked = 0

async function look(chosen: File | null | undefined, mapped?: Record<string, string>) {
  if (!chosen) return
  const mine = ++asked
  file.value = chosen
  busy.value = true
  problems.value = []
  if (!mapped) {
    columns.value = {}
    header.value = []
  }
  const provenance = details.provenance
  const body = form('/api/ranges/preview', { file: chosen, columns: mapped, provenance })
  try {
    const found = await got(api.POST('/api/ranges/preview', { body }))
    if (mine !== asked) return
    preview.value = found
    columns.value = found.columns
    header.value = found.kind.startsWith('CSV') ? found.header : []
    if (details.medium === guessed) details.medium = found.medium ?? ''
    guessed = found.medium ?? ''
    if (!details.name) details.name = found.name || chosen.name.replace(/\.[^.]*$/, '')
  } catch (error) {
    if (mine !== asked) return
    preview.value = null
    if (!(error instanceof ApiError)) return notices.fail(error)
    problems.value = error.problems.length
      ? error.problems
      : [{ message: error.message, field: '', row: null, column: '', value: '', expected: '' }]
  } finally {
    if (mine === asked) busy.value = false
  }
}
function choose(chosen: File | null | undefined) {
  withoutCodes.value = false
  void look(chosen)
}
function map(mapped: Record<string, string>) {
  columns.value = mapped
  void look(file.value, mapped)
}
async function store() {
  busy.value = true
  share.value = 0
  try {
    const how = { columns: columns.value, without_codes: withoutCodes.value }
    const body = form('/api/ranges/import', { file: file.value, ...how, ...details })
    const done = await follow<{ share?: number; id?: number }>(
      '/api/ranges/import',
      body,
      (line) => {
        share.value = line.share ?? share.value
      },
    )
    notices.show(
      `${details.name} is in your supplies with ${plural(preview.value!.count, 'colour')}.`,
    )
    await router.push(`/supplies/${done.id}`)
  } catch (error) {
    notices.fail(error)
  } finally {
    busy.value = false
    share.value = null
  }
}
</script>

<template>
  <main class="overflow-y-auto p-6 small:p-3">
    <RouterLink to="/supplies" class="text-xs underline">Supplies</RouterLink>
    <h1 class="mt-1 mb-4 text-xl">Bring in a range</h1>
    <div
      class="panel mb-5 flex flex-wrap items-center gap-4 !border-dashed p-5"
      :class="over && '!border-ink'"
      @dragover.prevent="over = true"
      @dragleave="over = false"
      @drop.prevent="
        (event) => {
          over = false
          choose(event.dataTransfer?.files[0])
        }
      "
    >
      <label class="button button-main focus-within:outline-2">
        {{ file ? 'Choose another file' : 'Choose a file' }}
        <input
          type="file"
          accept=".csv,.tsv,.txt,.json,.gpl,.cgats,text/csv"
          class="sr-only"
          @change="
            (event) => {
              const input = event.target as HTMLInputElement
              choose(input.files?.[0])
              input.value = ''
            }
          "
        />
      </label>
      <p class="min-w-64 flex-1 text-soft">
        <template v-if="file">{{ file.name }}, {{ Math.ceil(file.size / 1024) }} kB.</template>
        <template v-else>
          Or drop it here. CSV with one row per colour: a code or a name, and either L, a, b (D50)
          or a hex value; commas, semicolons or tabs, a decimal comma is understood. Or a range as
          JSON, CGATS.17 text with Lab or spectra, or a .gpl palette.
          <a class="underline" :href="sample" download>A sample file</a>
        </template>
      </p>
    </div>
    <p v-if="busy && !preview" class="text-soft">Reading the file …</p>
    <section v-if="problems.length" class="panel mb-5 p-5" role="alert">
      <h2 class="mb-2 text-base">This file cannot be taken as it is</h2>
      <ProblemList :problems="problems" />
    </section>
    <ColumnChoice
      v-if="header.length"
      :header="header"
      :columns="columns"
      :sample="preview?.sample ?? []"
      class="mb-5"
      @change="map"
    />
    <template v-if="preview">
      <section v-if="preview.problem_count" class="panel mb-5 p-5" role="alert">
        <h2 class="mb-1 text-base">
          {{
            preview.problems[0]!.field === 'columns'
              ? 'Say which column is which'
              : `${plural(preview.problem_count, 'mistake')}, nothing is stored`
          }}
        </h2>
        <p v-if="preview.problems[0]!.field !== 'columns'" class="mb-3 text-soft">
          {{ plural(preview.count, 'row') }} can be read. Mend these in the file and choose it
          again; what you typed below stays.
        </p>
        <ProblemList :problems="preview.problems" :total="preview.problem_count" />
      </section>
      <p v-if="preview.kind.endsWith('Windows-1252')" class="panel mb-5 p-4" role="status">
        It is written in Windows-1252, as older spreadsheets do, and was read so: look whether
        accents are right.
      </p>
      <section
        v-if="preview.codes_asked && !preview.problem_count"
        class="panel mb-5 p-5"
        role="alert"
      >
        <h2 class="mb-1 text-base">No codes were recognised</h2>
        <p class="mb-2">Which column holds them? Choose it above at “code”; or else:</p>
        <OnOff v-model="withoutCodes">It has none, only names</OnOff>
      </section>
      <PreviewTable v-if="preview.entries.length" :preview="preview" class="mb-5" />
    </template>
    <p v-if="share !== null" class="mb-5" role="status">
      <progress class="w-full" :value="share" max="1" aria-label="Storing the colours" />
      Storing the colours …
    </p>
    <RangeDetails
      v-if="file"
      v-model="details"
      :ready="
        !!preview &&
        !preview.problem_count &&
        (!preview.codes_asked || withoutCodes) &&
        !!details.medium &&
        !busy
      "
      :count="preview?.count ?? 0"
      @store="store"
      @provenance="look(file, columns)"
    />
  </main>
</template>
