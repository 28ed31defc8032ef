<script setup lang="ts">
import { RadioGroup, RadioGroupOption } from '@headlessui/vue'
import { computed, ref, watch } from 'vue'
import { api, got, type Column, type Match } from '@/api/client'
import { useCard } from '@/card/card'
import { useNotices } from '@/lib/notices'
import { useOnlyOwned } from '@/lib/owned'
import { figure, nearness, really } from '@/lib/words'
import AppDialog from '@/ui/AppDialog.vue'
import ChoiceList from '@/ui/ChoiceList.vue'
import OnOff from '@/ui/OnOff.vue'
import HoleWays from './HoleWays.vue'
import OwnedCorner from '@/ui/OwnedCorner.vue'
import TheFigure from '@/ui/TheFigure.vue'
import ColourMenu from '@/ui/ColourMenu.vue'
import { useShade } from '@/lib/screen'

/** The 12 nearest in one medium, target and candidate touching: the honest way to compare. */
const { colourKey, column } = defineProps<{ colourKey: number; column: Column }>()
const emit = defineEmits<{ close: []; papers: [] }>()
const store = useCard()
const shade = useShade()
const notices = useNotices()
const colour = computed(() => store.card!.colours.find((one) => one.key === colourKey)!)
const cell = computed(() => colour.value.cells.find((one) => one.column === column)!)
const title = store.card!.columns.find((one) => one.key === column)!.title
const matches = ref<Match[] | null>(null)
const ranges = ref<{ id: number; name: string }[]>([])
const range = ref(0)
const owned = useOnlyOwned('cards')
const made = ref(true)
const chosen = ref(cell.value.match?.swatch.id ?? 0)
const shown = computed(() => matches.value?.find((match) => match.swatch.id === chosen.value))
const locked = computed(() => cell.value.state === 'locked')

async function look() {
  const filters = { owned: owned.value, made: made.value, range: range.value || null }
  const path = { id: store.card!.id }
  try {
    const query = { key: colourKey, column, ...filters }
    const answer = await got(api.GET('/api/cards/{id}/alternatives', { params: { path, query } }))
    matches.value = answer.matches
    ranges.value = answer.ranges
    if (!shown.value) chosen.value = answer.matches[0]?.swatch.id ?? 0
  } catch (error) {
    notices.fail(error)
  }
}
watch([range, owned, made], look, { immediate: true })

async function choose(lock: boolean) {
  const change = {
    kind: 'choose' as const,
    key: colourKey,
    column,
    colour: chosen.value,
    locked: lock,
  }
  if (chosen.value && (await store.change(change))) emit('close')
}
async function unlock() {
  const id = cell.value.match!.swatch.id
  await store.change({ kind: 'choose', key: colourKey, column, colour: id, locked: false })
}
async function goBack() {
  if (await store.change({ kind: 'clear_choice', key: colourKey, column })) emit('close')
}
</script>

<template>
  <AppDialog :title="`${title} for ${colour.name}`" wide @close="$emit('close')">
    <div class="mb-4 flex h-32 overflow-hidden rounded-data">
      <div
        class="flex flex-1 items-end"
        :style="{ background: shade(colour) }"
        :aria-label="`${colour.name}, the target`"
        role="img"
      />
      <div
        v-if="shown"
        class="flex flex-1 items-end"
        :style="{ background: shade(shown.swatch) }"
        :aria-label="`${shown.swatch.label}, the candidate`"
        role="img"
      />
    </div>
    <div class="mb-4 grid grid-cols-2">
      <p>
        <b>{{ colour.name }}</b><br />{{ colour.hue_name }}, {{ colour.provenance_words }}
      </p>
      <p v-if="shown">
        <b>{{ shown.swatch.range_name }} {{ shown.swatch.label }}</b
        ><br />{{ nearness(shown) }} <TheFigure tip :text="figure(shown)" /><br />{{
          really(shown)
        }}
        {{ shown.swatch.provenance_words
        }}<template v-if="shown.swatch.discontinued">, discontinued</template><br />
        <ColourMenu :swatch="shown.swatch" @changed="look" />
      </p>
    </div>
    <HoleWays
      v-if="cell.hole"
      :colour-key="colourKey"
      :column="column"
      @take="((chosen = $event), choose(false))"
      @papers="$emit('papers')"
      @leave="$emit('close')"
    />
    <div class="mb-3 flex flex-wrap items-center gap-5">
      <ChoiceList
        v-model="range"
        label="Range"
        class="w-52"
        :options="[
          { value: 0, words: 'All ranges' },
          ...ranges.map((one) => ({ value: one.id, words: one.name })),
        ]"
      />
      <OnOff v-model="owned">Only what I own</OnOff>
      <OnOff v-model="made">Still made, or mine</OnOff>
    </div>
    <p v-if="matches && !matches.length" class="panel p-4">
      Nothing is left with these filters. Switch one off, or mark what you own under Supplies.
    </p>
    <form @submit.prevent="choose(false)">
      <RadioGroup
        v-model="chosen"
        aria-label="The nearest"
        class="grid grid-cols-2 gap-1.5 sm:grid-cols-3 lg:grid-cols-4"
      >
        <RadioGroupOption
          v-for="match in matches ?? []"
          :key="match.swatch.id"
          v-slot="{ checked }"
          :value="match.swatch.id"
          class="rounded-data"
        >
          <div
            class="relative flex h-full cursor-pointer gap-2 overflow-hidden rounded-data border bg-sheet pr-3"
            :class="checked ? 'border-ink ring-1 ring-ink' : 'border-line hover:border-edge'"
          >
            <span class="flex w-12 shrink-0">
              <span class="flex-1" :style="{ background: shade(colour) }" />
              <span class="flex-1" :style="{ background: shade(match.swatch) }" />
            </span>
            <span class="min-w-0 py-1.5 text-xs">
              <b class="block text-sm break-words">{{ match.swatch.label }}</b>
              <span class="block truncate text-soft">{{ match.swatch.range_name }}</span>
              <span class="block">{{ nearness(match) }}</span>
              <TheFigure class="block" :text="figure(match)" />
              <span v-if="match.swatch.discontinued" class="block">discontinued</span>
            </span>
            <OwnedCorner :swatch="match.swatch" />
          </div>
        </RadioGroupOption>
      </RadioGroup>
      <div class="mt-5 flex flex-wrap gap-2">
        <template v-if="locked">
          <p class="self-center">This cell is locked.</p>
          <button type="button" class="button" @click="unlock">Unlock it</button>
        </template>
        <template v-else>
          <button type="submit" class="button button-main" :disabled="!shown">
            Use {{ shown?.swatch.label ?? 'it' }}
          </button>
          <button type="button" class="button" :disabled="!shown" @click="choose(true)">
            Use and lock
          </button>
          <button v-if="cell.state === 'chosen'" type="button" class="button" @click="goBack">
            Go back to the nearest
          </button>
        </template>
      </div>
    </form>
  </AppDialog>
</template>
