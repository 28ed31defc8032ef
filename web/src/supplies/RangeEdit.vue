<script setup lang="ts">
import { useSession } from '@/lib/session'
import { refDebounced } from '@vueuse/core'
import { computed, reactive, ref } from 'vue'
import { api, ApiError, got, type Problem, type WholeRange } from '@/api/client'
import { useFetched } from '@/lib/fetched'
import { useNotices } from '@/lib/notices'
import { plural } from '@/lib/words'
import ProblemList from '@/ui/ProblemList.vue'
import RangeFields from './RangeFields.vue'

const session = useSession()

/** An own range by hand: its details, and a row of fields a colour. Saved all at once. */
const { range } = defineProps<{ range: WholeRange }>()
const emit = defineEmits<{ changed: []; stale: [] }>()
type Row = { id: number | null; texts: Record<string, string>; was: string }
const FIELDS = [
  ['code', 'Code', 'w-28'],
  ['name', 'Name', 'w-48'],
  ['value', 'Lab or #rrggbb', 'w-44'],
  ['family', 'Set or family', 'w-32'],
  ['paper', 'Paper', 'w-32'],
] as const
const notices = useNotices()
const details = reactive({
  name: range.name,
  maker: range.maker ?? '',
  medium: range.medium,
  note: range.note ?? '',
  properties: range.properties,
})
const rows = ref<Row[]>([])
const removed = ref<number[]>([])
const loaded = ref(0) // the version that the rows are of: what is added before would be lost
const problems = ref<Problem[]>([])
const filter = ref('')
const wanted = refDebounced(filter, 200)
const found = ref(0) // how many have what is looked for; a page of them is here
useFetched([() => range.version, wanted], async () => {
  const { version } = range
  const told = await got(
    api.GET('/api/ranges/{id}/changes', {
      params: { path: { id: range.id }, query: { words: wanted.value } },
    }),
  )
  if (loaded.value !== version) {
    rows.value = []
    removed.value = []
  }
  // What was typed stays, wherever one looks.
  const typed = new Map(changed.value.map((one) => [one.id, one]))
  const fresh = told.rows.filter(({ id }) => !typed.has(id) && !removed.value.includes(id))
  const page = fresh.map(({ id, texts }) => row(id, texts))
  rows.value = [...page, ...changed.value].sort((a, b) => (a.id ?? Infinity) - (b.id ?? Infinity))
  found.value = told.found
  loaded.value = version
  return told
})
const changed = computed(() => rows.value.filter((one) => JSON.stringify(one.texts) !== one.was))

function row(id: number | null, texts: Record<string, string>): Row {
  return { id, texts, was: id ? JSON.stringify(texts) : '' }
}
function add() {
  rows.value.push(
    row(null, { code: '', name: '', value: '', family: '', paper: '', discontinued: 'no' }),
  )
}
function takeOut(one: Row) {
  if (one.id) removed.value.push(one.id)
  rows.value = rows.value.filter((other) => other !== one)
}
async function save() {
  problems.value = []
  const put = changed.value.map((one) => ({ id: one.id, texts: one.texts }))
  const body = { version: range.version, details: { ...details }, put, remove: removed.value }
  try {
    const now = await got(
      api.POST('/api/ranges/{id}/changes', { params: { path: { id: range.id } }, body }),
    )
    notices.show(`${now.name} is saved.`)
    emit('changed')
  } catch (error) {
    if (error instanceof ApiError && error.problems.length) problems.value = error.problems
    else notices.fail(error)
    if (error instanceof ApiError && error.status === 409) emit('stale')
  }
}
</script>

<template>
  <form class="max-w-[1100px]" @submit.prevent="save">
    <div class="panel mb-5 p-4"><RangeFields v-model="details" /></div>
    <section v-if="problems.length" class="panel mb-5 p-4" role="alert">
      <h2 class="mb-2 text-base">Not saved yet: what you typed is still there</h2>
      <ProblemList :problems="problems" />
      <p class="mt-2 text-xs text-soft">Rows are counted among the {{ changed.length }} changed.</p>
    </section>
    <div class="mb-2 flex flex-wrap items-center gap-3">
      <button type="button" class="button" :disabled="loaded !== range.version" @click="add">
        Add a colour
      </button>
      <input
        v-if="range.count > rows.length || filter"
        v-model="filter"
        class="input !w-56"
        placeholder="Show only …"
        aria-label="Show only colours with this in code, name, hue or set"
      />
      <p v-if="found > rows.length" class="text-xs text-soft">
        {{ rows.length }} of {{ plural(found, 'colour') }} at a time.
      </p>
    </div>
    <div class="overflow-x-auto">
      <table class="mb-5 text-left">
        <thead class="text-xs text-soft">
          <tr>
            <th v-for="[key, words] in FIELDS" :key="key" class="pr-2 pb-1 font-normal">
              {{ words }}
            </th>
            <th class="pr-2 pb-1 font-normal">Discontinued</th>
            <th><span class="sr-only">Take out</span></th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="(one, n) in rows" :key="one.id ?? `new ${n}`">
            <td v-for="[key, words, wide] in FIELDS" :key="key" class="pr-2 pb-1.5">
              <input
                v-model="one.texts[key]"
                class="input"
                :class="wide"
                :aria-label="`${words} of ${one.texts.code || one.texts.name || 'the new colour'}`"
                :maxlength="session.limits?.name"
              />
            </td>
            <td class="text-center">
              <input
                type="checkbox"
                class="size-4 accent-ink"
                :checked="one.texts.discontinued === 'yes'"
                :aria-label="`${one.texts.code || one.texts.name || 'The new colour'} is discontinued`"
                @change="
                  one.texts.discontinued = ($event.target as HTMLInputElement).checked
                    ? 'yes'
                    : 'no'
                "
              />
            </td>
            <td>
              <button type="button" class="button button-plain" @click="takeOut(one)">
                Take out
              </button>
            </td>
          </tr>
        </tbody>
      </table>
    </div>
    <button type="submit" class="button button-main">Save the range</button>
    <span class="ml-3 text-xs text-soft"
      >{{ plural(changed.length, 'colour') }} changed, {{ removed.length }} taken out</span
    >
  </form>
</template>
