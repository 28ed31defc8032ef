<script setup lang="ts">
import { computed, ref } from 'vue'
import { api, form, got, type DrawerEntry, type Fullness } from '@/api/client'
import { fullnessValues } from '@/api/schema'
import { useDrawer } from '@/lib/drawer'
import { useFetched } from '@/lib/fetched'
import { useNotices } from '@/lib/notices'
import { useOutbox } from '@/lib/outbox'
import { plural } from '@/lib/words'
import AppDialog from '@/ui/AppDialog.vue'
import ChoiceList from '@/ui/ChoiceList.vue'
import DrawerList from './DrawerList.vue'
import DrawerTile from './DrawerTile.vue'
import FileButton from '@/ui/FileButton.vue'
import PrintedChart from './PrintedChart.vue'
import SuppliesFrame from './SuppliesFrame.vue'

/** What I own, how full it is, and ways to say so quickly. */
const notices = useNotices()
const outbox = useOutbox()
const { data, refresh } = useFetched([], () => got(api.GET('/api/drawer')))
const { keepAs, told } = useDrawer(refresh)
const shown = ref<Fullness | ''>('')
const listing = ref(false)
const editing = ref<Thing | null>(null)
const full = ref<Fullness>('full')
const note = ref('')

/** What one takes out of the drawer: a colour, or a sheet of patterned paper with all that are on it. */
type Thing = { entries: DrawerEntry[]; sheet: number | null; name: string }
const groups = computed(() => {
  const found = new Map<string, Thing[]>()
  for (const entry of data.value?.entries ?? []) {
    const now = outbox.fullnessNow(entry.swatch)
    if (!now || (shown.value && now !== shown.value)) continue
    const things = found.get(entry.swatch.range_name) ?? []
    found.set(entry.swatch.range_name, things)
    const same = entry.sheet && things.find((one) => one.sheet === entry.sheet)
    if (same) same.entries.push(entry)
    else {
      const name = entry.sheet ? entry.swatch.family : entry.swatch.label
      things.push({ entries: [entry], sheet: entry.sheet, name })
    }
  }
  return [...found]
})

function edit(thing: Thing) {
  editing.value = thing
  full.value = outbox.fullnessNow(thing.entries[0]!.swatch) ?? 'full'
  note.value = thing.entries[0]!.note
}
async function save(owned: boolean) {
  const { entries, name } = editing.value!
  const ids = entries.map((one) => one.swatch.id)
  await keepAs(name, ids, owned ? full.value : null, note.value)
  editing.value = null
}
const CHARTS = [
  { words: 'Chart, Letter', query: 'sheet=letter' },
  { words: 'Chart, A4', query: 'sheet=a4' },
]

async function bring(file: File) {
  try {
    const body = form('/api/drawer/file', { file })
    const { count, before } = await got(api.POST('/api/drawer/file', { body }))
    told(`${plural(count, 'colour')} of ${file.name} in the drawer.`, before)
    await refresh()
  } catch (error) {
    notices.fail(error)
  }
}
</script>

<template>
  <SuppliesFrame>
    <template #actions>
      <button type="button" class="button button-main" @click="listing = true">
        Type or paste codes
      </button>
      <FileButton accept=".csv,.tsv,.txt" @file="bring">From a file</FileButton>
      <a class="button" href="/api/drawer/file">Save as CSV</a>
      <PrintedChart path="/api/drawer/chart" :kinds="CHARTS" />
    </template>
    <p v-if="!data" class="text-soft">Opening the drawer …</p>
    <div v-else-if="!data.entries.length" class="panel max-w-xl p-6">
      <h2 class="mb-2 text-lg">The drawer is empty</h2>
      <p>
        Type or paste the codes of what you own, bring in a file, or open a range and tick what is
        yours. Then every match shows what of it you have.
      </p>
    </div>
    <template v-else>
      <div class="row mb-4 items-center small:mb-2" role="group" aria-label="How full">
        <button
          type="button"
          class="button"
          :class="!shown && 'button-main'"
          :aria-pressed="!shown"
          @click="shown = ''"
        >
          all {{ data.entries.length }}
        </button>
        <button
          v-for="value in fullnessValues"
          :key="value"
          type="button"
          class="button"
          :class="shown === value && 'button-main'"
          :aria-pressed="shown === value"
          @click="shown = value"
        >
          {{ value }} {{ data.counts[value] }}
        </button>
      </div>
      <p v-if="!groups.length" class="text-soft">Nothing in the drawer is {{ shown }}.</p>
      <section v-for="[range, things] in groups" :key="range" class="mb-5">
        <h2 class="mb-1.5 text-sm text-soft">
          <RouterLink
            :to="`/supplies/${things[0]!.entries[0]!.swatch.range_id}`"
            class="underline"
            >{{ range }}</RouterLink>, {{ things[0]!.entries[0]!.swatch.medium }},
          {{ things.length }}
        </h2>
        <ul class="grid grid-cols-[repeat(auto-fill,minmax(188px,1fr))] gap-1.5">
          <li v-for="thing in things" :key="thing.entries[0]!.swatch.id">
            <DrawerTile :entry="thing.entries[0]!" :name="thing.name" @edit="edit(thing)" />
          </li>
        </ul>
      </section>
    </template>
    <DrawerList v-if="listing" @close="listing = false" @stored="refresh" />
    <AppDialog v-if="editing" :title="editing.name" @close="editing = null">
      <form @submit.prevent="save(true)">
        <p class="mb-3">
          {{ editing.entries[0]!.swatch.range_name }}, {{ editing.entries[0]!.swatch.medium }}
        </p>
        <span class="label">How full</span>
        <ChoiceList
          v-model="full"
          label="How full"
          :options="fullnessValues.map((value) => ({ value, words: value }))"
        />
        <label class="label mt-3" for="drawer-note">Note</label>
        <input id="drawer-note" v-model="note" class="input" maxlength="200" />
        <div class="mt-5 flex flex-wrap gap-2">
          <button type="submit" class="button button-main">Save</button>
          <RouterLink v-if="editing.sheet" :to="`/papers/${editing.sheet}`" class="button"
            >The sheet</RouterLink
          >
          <RouterLink
            v-else
            :to="`/match/${editing.entries[0]!.swatch.id}?tab=instead`"
            class="button"
            >What to use instead</RouterLink
          >
          <button type="button" class="button" @click="save(false)">
            Take it out of the drawer
          </button>
        </div>
      </form>
    </AppDialog>
  </SuppliesFrame>
</template>
