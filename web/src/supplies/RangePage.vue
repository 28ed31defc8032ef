<script setup lang="ts">
import { refDebounced } from '@vueuse/core'
import { computed, ref, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { api, got } from '@/api/client'
import { useDrawer } from '@/lib/drawer'
import { useFetched } from '@/lib/fetched'
import { useSession } from '@/lib/session'
import { useShelf } from '@/lib/shelf'
import { useOnlyOwned } from '@/lib/owned'
import { plural } from '@/lib/words'
import AppDialog from '@/ui/AppDialog.vue'
import NothingHere from '@/ui/NothingHere.vue'
import TabLinks from '@/ui/TabLinks.vue'
import RangeChart from './RangeChart.vue'
import RangeColours from './RangeColours.vue'
import RangeCompare from './RangeCompare.vue'
import RangeEdit from './RangeEdit.vue'
import RangeFiles from './RangeFiles.vue'

const route = useRoute()
const router = useRouter()
const deleting = ref(false)
const { data: uses } = useFetched(deleting, () =>
  deleting.value
    ? got(api.GET('/api/ranges/{id}/uses', { params: { path: { id: id.value } } }))
    : null,
)
/** What a card names of the range, in words. */
const told = (card: NonNullable<typeof uses.value>['cards'][number]) =>
  [
    card.palette && plural(card.palette, 'palette colour'),
    card.cells && plural(card.cells, 'chosen cell'),
    card.tones && plural(card.tones, 'tone'),
    card.pads && `${plural(card.pads, 'pad')} of its ground`,
    card.pieces && plural(card.pieces, 'piece'),
    card.papers && `${plural(card.papers, 'paper')} that is coloured or inked`,
  ]
    .filter(Boolean)
    .join(', ')
const id = computed(() => Number(route.params.id))
const typed = ref('')
const wanted = refDebounced(typed, 200)
const owned = useOnlyOwned('range')
const page = ref(1)
watch([id, wanted, owned], () => (page.value = 1), { flush: 'sync' })
watch(id, () => (typed.value = ''))
const {
  data: range,
  missing,
  refresh,
} = useFetched([id, wanted, owned, page], () => {
  const query = { words: wanted.value, owned: owned.value, page: page.value }
  return got(api.GET('/api/ranges/{id}', { params: { path: { id: id.value }, query } }))
})
const { keepAll: own, keepRange } = useDrawer(refresh)
watch(range, (now) => now && (document.title = `${now.name} · Jindle`))

const WORDS: Record<string, string> = {
  colours: 'Colours',
  chart: 'Chart',
  compare: 'Compare',
  files: 'Print and files',
  edit: 'Edit',
}
const tab = computed(() => String(route.query.tab ?? 'colours'))
const tabs = computed(() =>
  Object.entries(WORDS)
    .filter(([key]) => key !== 'edit' || range.value?.own)
    .map(([key, words]) => ({
      to: { path: route.path, query: key === 'colours' ? {} : { tab: key } },
      words,
      here: tab.value === key,
    })),
)

const session = useSession()
const { remove: removeRange } = useShelf('ranges')
async function remove() {
  const { name } = range.value!
  await router.push('/supplies')
  await removeRange({ id: id.value, name })
}
</script>

<template>
  <NothingHere v-if="missing" />
  <main v-else-if="range" class="overflow-y-auto p-6 small:p-3">
    <RouterLink to="/supplies" class="text-xs underline">Supplies</RouterLink>
    <header class="mt-1 mb-4 flex flex-wrap items-start gap-4">
      <div class="min-w-0 flex-1">
        <h1 class="text-xl small:text-lg">{{ range.name }}</h1>
        <p class="text-soft">
          {{ range.maker ? `${range.maker}, ` : '' }}{{ range.medium }},
          {{ plural(range.count, 'colour') }}. {{ range.note }}
        </p>
      </div>
      <button v-if="range.own" type="button" class="button" @click="deleting = true">
        Delete this range …
      </button>
    </header>
    <TabLinks :tabs="tabs" label="About this range" class="mb-4" />
    <RangeChart v-if="tab === 'chart'" :range="range" @own="own" />
    <RangeCompare v-else-if="tab === 'compare'" :range="range" />
    <RangeFiles v-else-if="tab === 'files'" :range="range" @changed="refresh" />
    <RangeEdit
      v-else-if="tab === 'edit' && range.own"
      :range="range"
      @changed="refresh"
      @stale="refresh"
    />
    <RangeColours
      v-else
      v-model:typed="typed"
      v-model:page="page"
      :range="range"
      @own="own"
      @own-all="(count, family) => keepRange(id, count, family)"
      @changed="refresh"
    />
    <AppDialog v-if="deleting" title="Delete this range" @close="deleting = false">
      <p class="mb-3">
        {{ range.name }} with its {{ plural(range.count, 'colour') }} goes<template
          v-if="uses?.drawer || uses?.readings"
          >, and with it {{ plural(uses.drawer, 'entry', 'entries') }} of your drawer and
          {{ plural(uses.readings, 'reading') }}</template
        >. It can be had back for {{ session.limits?.deleted_days }} days, under Supplies.
      </p>
      <template v-if="uses?.cards.length">
        <p class="mb-2">
          These cards use it. There its colours stand in as you see them now, marked “no longer in
          the supplies”; chosen cells of the palette go back to the nearest.
        </p>
        <ul class="mb-4 list-disc pl-5">
          <li v-for="card in uses.cards" :key="card.name">
            <b>{{ card.name }}</b>: {{ told(card) }}
          </li>
        </ul>
      </template>
      <p v-else-if="uses" class="mb-4">No card uses it.</p>
      <button type="button" class="button button-main" @click="remove">
        Delete {{ range.name }}
      </button>
    </AppDialog>
  </main>
  <main v-else class="p-6 text-soft">Fetching the range …</main>
</template>
