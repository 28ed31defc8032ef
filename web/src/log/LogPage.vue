<script setup lang="ts">
import { watchDebounced } from '@vueuse/core'
import { computed, onBeforeUnmount, ref, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { api, got, type MadeSummary } from '@/api/client'
import { useFetched } from '@/lib/fetched'
import { inWords } from '@/lib/words'
import ChoiceList from '@/ui/ChoiceList.vue'
import Field from '@/ui/Field.vue'

/** All that was made, the newest first; what is looked for stands in the address. */
const route = useRoute()
const router = useRouter()
const asked = computed(() => ({
  words: String(route.query.words ?? ''),
  label: String(route.query.label ?? ''),
  range: String(route.query.range ?? ''),
  stage: String(route.query.stage ?? ''),
  medium: String(route.query.medium ?? ''),
  person: String(route.query.person ?? ''),
  year: Number(route.query.year) || undefined,
  month: Number(route.query.month) || undefined,
  page: Number(route.query.page) || 1,
}))
const typed = ref(asked.value.words)
watch(
  () => asked.value.words,
  (words) => (typed.value = words),
)
// What was typed last is asked here, not on the page that one went on to.
let isHere = true
onBeforeUnmount(() => (isHere = false))
watchDebounced(
  typed,
  (words) => {
    if (isHere && words !== asked.value.words)
      void router.replace({ query: { ...route.query, page: undefined, words: words || undefined } })
  },
  { debounce: 250 },
)
const { data, problem } = useFetched([asked], () =>
  got(api.GET('/api/records', { params: { query: asked.value } })),
)
const look = (more: Record<string, string | number | undefined>) =>
  router.push({ query: { ...route.query, page: undefined, ...more } })
const isAsked = computed(() => Object.keys(route.query).some((name) => name !== 'page'))

const ALL = 0
const years = computed(() => [
  { value: ALL, words: 'every year' },
  ...(data.value?.years ?? []).map((year) => ({ value: year, words: String(year) })),
])
const STAGES = ['', 'colouring', 'background', 'build', 'instead']
const stages = STAGES.map((value) => ({
  value,
  words: value ? (value === 'instead' ? 'used instead' : inWords(value)) : 'any stage',
}))
const media = computed(() => [
  { value: '', words: 'any medium' },
  ...(data.value?.media ?? []).map((value) => ({ value, words: value })),
])
const people = computed(() => [
  { value: '', words: 'anybody' },
  ...(data.value?.people ?? []).map((value) => ({ value, words: value })),
])
const MONTHS = Array.from({ length: 12 }, (_, n) =>
  new Date(2000, n, 1).toLocaleString('en-GB', { month: 'short' }),
)
/** The year as a calendar: what was made in each month. */
const calendar = computed(() =>
  MONTHS.map((name, n) => ({
    name,
    number: n + 1,
    made: (data.value?.records ?? []).filter((one) => Number(one.made.slice(5, 7)) === n + 1),
  })),
)
const day = (one: MadeSummary) =>
  new Date(`${one.made}T12:00`).toLocaleDateString('en-GB', {
    day: 'numeric',
    month: 'long',
    year: 'numeric',
  })
</script>

<template>
  <main class="overflow-y-auto p-6 small:p-3">
    <header class="head justify-between">
      <h1 class="text-xl">Log</h1>
      <span class="flex flex-wrap gap-2">
        <RouterLink to="/log/which" class="button">Which was it?</RouterLink>
        <RouterLink to="/log/supplies" class="button">How supplies are used</RouterLink>
        <a class="button" href="/api/records/export?kind=csv" download="log.csv">All as CSV</a>
        <a class="button" href="/api/records/export?kind=json" download="log.json">All as JSON</a>
      </span>
    </header>
    <form class="mb-4 flex flex-wrap items-end gap-3" @submit.prevent="look({ words: typed })">
      <Field label="Look for" class="min-w-0 flex-1 basis-72">
        <input
          v-model="typed"
          class="input"
          type="search"
          placeholder="greys used in spring, a code, a name, an occasion …"
        />
      </Field>
      <div>
        <span class="label">Used for</span>
        <ChoiceList
          class="w-[150px]"
          label="Used for"
          :model-value="asked.stage"
          :options="stages"
          @update:model-value="(stage) => look({ stage: stage || undefined })"
        />
      </div>
      <div>
        <span class="label">With</span>
        <ChoiceList
          class="w-[170px]"
          label="With"
          :model-value="asked.medium"
          :options="media"
          @update:model-value="(medium) => look({ medium: medium || undefined })"
        />
      </div>
      <div v-if="people.length > 1">
        <span class="label">For whom</span>
        <ChoiceList
          class="w-[150px]"
          label="For whom"
          :model-value="asked.person"
          :options="people"
          @update:model-value="(person) => look({ person: person || undefined })"
        />
      </div>
      <div>
        <span class="label">Year</span>
        <ChoiceList
          class="w-[130px]"
          label="Year"
          :model-value="asked.year ?? ALL"
          :options="years"
          @update:model-value="(year) => look({ year: year || undefined, month: undefined })"
        />
      </div>
      <button type="submit" class="button button-main">Look</button>
      <button v-if="isAsked" type="button" class="button" @click="router.push('/log')">
        Show all
      </button>
    </form>
    <p v-if="asked.label" class="mb-3">
      Where <b>{{ asked.label }}</b> of {{ asked.range }} was used.
    </p>
    <p v-if="problem" role="alert" class="border-l-2 border-ink pl-3">{{ problem }}</p>
    <p v-else-if="!data" class="text-soft">Opening the log …</p>
    <div v-else-if="!data.total && !isAsked" class="panel max-w-xl p-6">
      <h2 class="mb-2 text-lg">Nothing is written down yet</h2>
      <p>
        When a card is made, open its last stage, Record: what it was made with is kept here as it
        was then, and every code is found again.
      </p>
    </div>
    <p v-else-if="!data.total" class="panel max-w-xl p-4">
      Nothing of what you made is so. Fewer words find more.
    </p>
    <template v-else>
      <div class="mb-3 flex flex-wrap items-center gap-3">
        <p class="text-soft" role="status">{{ data.total }} in the log</p>
        <template v-if="asked.year">
          <a
            v-for="paper in ['letter', 'A4']"
            :key="paper"
            class="button"
            :href="`/api/records/years/${asked.year}?paper=${paper}`"
            download
            >All of {{ asked.year }} to print, {{ paper === 'A4' ? 'A4' : 'Letter' }}</a
          >
        </template>
      </div>
      <ol
        v-if="asked.year"
        class="mb-5 grid grid-cols-4 gap-2 sm:grid-cols-6 xl:grid-cols-12"
        aria-label="The year by months"
      >
        <li v-for="month in calendar" :key="month.number" class="panel p-2">
          <button
            type="button"
            class="mb-1 block w-full cursor-pointer text-left text-xs font-semibold"
            :aria-pressed="asked.month === month.number"
            @click="look({ month: asked.month === month.number ? undefined : month.number })"
          >
            {{ month.name }}
            <span class="font-normal text-soft">{{ month.made.length || '' }}</span>
          </button>
          <span class="flex min-h-8 flex-wrap gap-1">
            <RouterLink
              v-for="one in month.made"
              :key="one.id"
              :to="`/log/${one.id}`"
              :title="one.name"
            >
              <img v-if="one.picture" :src="one.picture" :alt="one.name" class="h-8" />
              <span v-else class="text-xs underline">{{ one.name }}</span>
            </RouterLink>
          </span>
        </li>
      </ol>
      <ul class="grid grid-cols-[repeat(auto-fill,minmax(250px,1fr))] gap-5">
        <li v-for="one in data.records" :key="one.id">
          <RouterLink :to="`/log/${one.id}`" class="panel block h-full overflow-hidden">
            <span class="flex h-52 items-center justify-center bg-wall p-3">
              <img
                v-if="one.picture"
                :src="one.picture"
                :alt="`“${one.name}” as it was made`"
                class="max-h-full max-w-full"
                loading="lazy"
              />
              <span v-else class="text-soft">no picture</span>
            </span>
            <span class="flex h-3">
              <span
                v-for="shade in one.shades"
                :key="shade"
                class="flex-1"
                :style="{ background: shade }"
              />
            </span>
            <span class="block p-3">
              <b class="block break-words">{{ one.name }}</b>
              <span class="block text-xs">{{ day(one) }}, {{ one.count }} made</span>
              <span class="block text-xs text-soft">{{
                [one.occasion, one.person].filter(Boolean).join(', for ')
              }}</span>
              <span v-if="one.together" class="block text-xs text-soft"
                >in the set “{{ one.together }}”</span
              >
            </span>
          </RouterLink>
        </li>
      </ul>
      <nav v-if="data.more || asked.page > 1" class="mt-5 flex gap-2" aria-label="Pages">
        <button
          type="button"
          class="button"
          :disabled="asked.page === 1"
          @click="look({ page: asked.page - 1 })"
        >
          Newer
        </button>
        <button
          type="button"
          class="button"
          :disabled="!data.more"
          @click="look({ page: asked.page + 1 })"
        >
          Older
        </button>
      </nav>
    </template>
  </main>
</template>
