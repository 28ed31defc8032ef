<script setup lang="ts">
import { XMarkIcon } from '@heroicons/vue/16/solid'
import { computed, ref, watch } from 'vue'
import { useRanges } from '@/lib/ranges'
import { api, ApiError, got, type Asked, type Converted, type Swatch } from '@/api/client'
import { useFetched } from '@/lib/fetched'
import { useNotices } from '@/lib/notices'
import { useOnlyOwned } from '@/lib/owned'
import { useSession } from '@/lib/session'
import { figure, nearness } from '@/lib/words'
import AppDialog from '@/ui/AppDialog.vue'
import ChoiceList from '@/ui/ChoiceList.vue'
import FindColour, { type Picked } from '@/ui/FindColour.vue'
import UseOnCard from './UseOnCard.vue'
import OnOff from '@/ui/OnOff.vue'
import TheFigure from '@/ui/TheFigure.vue'
import ColourMenu from '@/ui/ColourMenu.vue'

/** A family of 2 to 5 colours, and the one that corresponds to it in another range, as a set. */
const session = useSession()
const tones = ref<Swatch[]>([])
const range = ref(0)
const owned = useOnlyOwned('match')
const adding = ref(false)
const problem = ref('')
const found = ref<Converted | null>(null)
const notices = useNotices()
const { data: kept, refresh } = useFetched([], () => got(api.GET('/api/families/kept')))
const sheet = computed(() => (session.person?.units === 'mm' ? 'a4' : 'letter'))
async function forget(id: number) {
  try {
    await api.DELETE('/api/families/kept/{id}', { params: { path: { id } } })
    await refresh()
  } catch (error) {
    notices.fail(error)
  }
}
const ranges = useRanges()

const medium = computed(() => tones.value[0]?.medium)
const options = computed(() =>
  (ranges.value ?? [])
    .filter((one) => one.id !== tones.value[0]?.range_id)
    // The same medium first: that is what is mostly asked.
    .sort((a, b) => Number(b.medium === medium.value) - Number(a.medium === medium.value))
    .map((one) => ({ value: one.id, words: `${one.name}, ${one.medium}` })),
)
watch(options, (list) => {
  if (!list.some((one) => one.value === range.value)) range.value = list[0]?.value ?? 0
})

let asked = 0
async function find() {
  const number = ++asked
  problem.value = ''
  if (tones.value.length < 2 || !range.value) {
    found.value = null
    return
  }
  try {
    const colours = tones.value.map((one) => one.id)
    const body = { colours, range: range.value, owned: owned.value }
    const answer = await got(api.POST('/api/families/convert', { body }))
    if (number === asked) found.value = answer
  } catch (error) {
    if (number !== asked) return
    found.value = null
    problem.value = error instanceof ApiError ? error.message : String(error)
  }
}
watch([tones, range, owned], find)

function add(picked: Picked) {
  adding.value = false
  if (!('swatch' in picked)) {
    problem.value = 'A family is made of colours of a range; find one by its code or name.'
    return
  }
  if (!tones.value.some((one) => one.id === picked.swatch.id))
    tones.value = [...tones.value, picked.swatch]
}
const taking = ref<{ what: Asked; title: string } | null>(null)
function take(family: Swatch[], title: string, instead: Swatch[] = []) {
  const ids = (some: Swatch[]) => some.map((one) => one.id)
  const what = { family: ids(family), instead: ids(instead), under_layers: 1, layers: 1 }
  taking.value = { what, title }
}
const shade = (swatch: Swatch) => swatch.shades[session.view]
</script>

<template>
  <main class="overflow-y-auto p-6 small:p-3">
    <RouterLink to="/match" class="text-xs underline">Match</RouterLink>
    <h1 class="mt-1 mb-1 text-xl">A family into another range</h1>
    <p class="mb-5 max-w-2xl text-soft">
      Choose 2 to 5 colours that you shade with, light to dark. You get the corresponding ones as a
      set: distinct, in order, keeping the steps between them, not each one’s own nearest.
    </p>
    <section v-if="kept?.length" class="mb-5" aria-labelledby="kept">
      <div class="mb-1 flex flex-wrap items-center gap-3">
        <h2 id="kept" class="text-sm">My kept families</h2>
        <a class="text-xs underline" :href="`/api/families/kept/sheet?sheet=${sheet}`"
          >Print a card of them</a
        >
      </div>
      <ul class="flex flex-wrap gap-2">
        <li v-for="family in kept" :key="family.id" class="panel flex items-center py-1 pr-1 pl-1">
          <button type="button" class="button button-plain" @click="tones = family.tones">
            <span class="flex h-6 w-20 overflow-hidden rounded-data">
              <span
                v-for="tone in family.tones"
                :key="tone.id"
                class="flex-1"
                :style="{ background: shade(tone) }"
              />
            </span>
            {{ family.name }}
            <span v-if="family.lost" class="font-normal">, {{ family.lost }} lost</span>
          </button>
          <button
            type="button"
            class="button button-plain !min-h-7 !px-1"
            :aria-label="`Forget ${family.name}`"
            @click="forget(family.id)"
          >
            <XMarkIcon class="size-4" aria-hidden="true" />
          </button>
        </li>
      </ul>
    </section>
    <div class="mb-5 flex flex-wrap items-center gap-2">
      <span
        v-for="tone in tones"
        :key="tone.id"
        class="panel flex items-center gap-2 py-1 pr-1 pl-2"
      >
        <span class="size-6 rounded-data" :style="{ background: shade(tone) }" />
        {{ tone.label }}
        <button
          type="button"
          class="button button-plain !min-h-7 !px-1"
          :aria-label="`Leave out ${tone.label}`"
          @click="tones = tones.filter((one) => one.id !== tone.id)"
        >
          <XMarkIcon class="size-4" aria-hidden="true" />
        </button>
      </span>
      <button v-if="tones.length < 5" type="button" class="button" @click="adding = true">
        {{ tones.length ? 'Add a colour' : 'Choose the first colour' }}
      </button>
    </div>
    <div v-if="tones.length" class="mb-5 flex flex-wrap items-center gap-5">
      <ChoiceList v-model="range" label="Into" class="w-72" :options="options" />
      <OnOff v-model="owned">Only what I own</OnOff>
      <button
        v-if="tones.length > 1"
        type="button"
        class="button"
        @click="take(tones, 'The family that you chose')"
      >
        Use it on a card …
      </button>
    </div>
    <p v-if="problem" role="alert" class="border-l-2 border-ink pl-3">{{ problem }}</p>
    <p v-else-if="tones.length === 1" class="text-soft">One more at least.</p>
    <p v-else-if="found?.note" class="panel max-w-xl p-4" role="status">{{ found.note }}</p>
    <section v-else-if="found" aria-label="Side by side" class="max-w-[920px]">
      <div class="flex h-28">
        <span
          v-for="tone in found.tones"
          :key="tone.id"
          class="flex-1"
          :style="{ background: shade(tone) }"
        />
      </div>
      <div class="flex h-28">
        <span
          v-for="match in found.found"
          :key="match.swatch.id"
          class="flex-1"
          :style="{ background: shade(match.swatch) }"
        />
      </div>
      <ol class="mt-2 flex">
        <li
          v-for="(match, n) in found.found"
          :key="match.swatch.id"
          class="min-w-0 flex-1 pr-3 text-xs"
        >
          <span class="block truncate text-soft">{{ found.tones[n]!.label }} becomes</span>
          <RouterLink
            :to="`/match/${match.swatch.id}`"
            class="block text-sm font-semibold break-words underline"
            >{{ match.swatch.label }}</RouterLink
          >
          <span class="block">{{ nearness(match) }}</span>
          <TheFigure class="block" :text="figure(match)" />
          <span v-if="match.swatch.owned" class="block">in my drawer</span>
          <ColourMenu compact :swatch="match.swatch" @changed="find" />
        </li>
      </ol>
      <h2 class="mt-5 mb-1 text-base">The steps</h2>
      <ul class="space-y-1">
        <li v-for="(step, n) in found.steps" :key="n">
          {{ found.tones[n]!.label }} to {{ found.tones[n + 1]!.label }}:
          <b v-if="step.gives_way">here it gives way.</b><template v-else>as large there.</template>
          <TheFigure
            tip
            :text="`ΔL* ${step.here.toFixed(0)} here, ${step.there.toFixed(0)} there`"
          />
        </li>
      </ul>
      <p class="mt-3 text-soft">
        Each one’s own nearest would be nearer, but not a family.
        <TheFigure
          tip
          :text="`ΔE ${found.mean!.toFixed(1)} off on average, ${found.separate!.toFixed(1)} by each one’s nearest`"
        />
      </p>
      <button
        type="button"
        class="button mt-3"
        @click="
          take(
            found.found.map((one) => one.swatch),
            'The family found',
            found.tones,
          )
        "
      >
        Use the one found on a card …
      </button>
    </section>
    <UseOnCard v-if="taking" v-bind="taking" @close="taking = null" />
    <AppDialog v-if="adding" title="A colour of the family" @close="adding = false">
      <FindColour act="add it" @pick="add" @leave="adding = false" />
    </AppDialog>
  </main>
</template>
