<script setup lang="ts">
import { Combobox, ComboboxInput, ComboboxOption, ComboboxOptions } from '@headlessui/vue'
import { computed, onMounted, ref, watch } from 'vue'
import { api, ApiError, got, type Column, type Found, type Swatch } from '@/api/client'
import { pathsApiFindGetParametersQueryMediumValues } from '@/api/schema'
import SwatchShape from '@/drawing/SwatchShape.vue'
import { recentOf } from '@/lib/recent'
import { useSession } from '@/lib/session'
import ChoiceList from './ChoiceList.vue'

/** Find any colour of any range by code or name, or give one as #rrggbb or L, a, b. */
export type Picked = { swatch: Swatch } | { text: string; value: NonNullable<Found['value']> }

type Medium = (typeof pathsApiFindGetParametersQueryMediumValues)[number]
const { act = 'take it', column } = defineProps<{
  act?: string
  /** Only supplies of this column of the palette table: then nothing else can be picked. */
  column?: Column
}>()
const emit = defineEmits<{ pick: [picked: Picked]; leave: [] }>()
const typed = ref('')
const input = ref<{ $el: HTMLInputElement } | null>(null)
const session = useSession()
const recent = recentOf(session.person?.name ?? '')
const medium = ref<Medium | ''>('')
const MEDIA = [
  { value: '' as const, words: 'any medium' },
  ...pathsApiFindGetParametersQueryMediumValues.map((value) => ({ value, words: value })),
]
// All ranges are asked for once somebody turns to the filters.
const range = ref(0)
const ranges = ref<{ value: number; words: string }[]>([])
const RANGES = computed(() => [{ value: 0, words: 'any range' }, ...ranges.value])
async function knowRanges() {
  if (ranges.value.length) return
  try {
    const found = await got(api.GET('/api/ranges'))
    ranges.value = found
      .filter((one) => !one.away)
      .map((one) => ({ value: one.id, words: one.name }))
  } catch (error) {
    problem.value = error instanceof ApiError ? error.message : String(error)
  }
}
onMounted(() => {
  input.value?.$el.focus()
  void look()
})
const found = ref<Found | null>(null)
const problem = ref('')
let asked = 0
let last = false // it is what was picked last that is found
// Options are told apart by identity, so each is made once.
const picks = computed<Picked[]>(() => found.value?.colours.map((swatch) => ({ swatch })) ?? [])
const typedPick = computed<Picked | null>(() =>
  found.value?.value ? { text: typed.value, value: found.value.value } : null,
)
// What is picked is handed on at once, so nothing stays chosen here.
const nothing: Picked | null = null

const answered = ref('') // what the answer that is shown is to
const asks = computed(() => JSON.stringify([typed.value, medium.value, range.value]))
let entered = false // before the answer to what is typed had come
/** Enter means what is typed, not what the letters before it found. */
function enter(event: KeyboardEvent) {
  if (answered.value === asks.value || !typed.value.trim()) return
  event.preventDefault()
  event.stopPropagation()
  entered = true
}
function answer() {
  answered.value = asks.value
  if (!entered) return
  entered = false
  pick(typedPick.value ?? picks.value[0] ?? null)
}

async function look() {
  const number = ++asked
  const text = typed.value
  const ids = text.trim() || column ? undefined : recent.read()
  problem.value = ''
  // That is no answer to what is typed now.
  if (last && text.trim()) found.value = null
  if (!text.trim() && !ids?.length) {
    entered = false
    found.value = null
    return
  }
  try {
    const only = { medium: medium.value || undefined, range: range.value || undefined }
    const query = { q: text, column, ...only, ids }
    const told = await got(api.GET('/api/find', { params: { query } }))
    if (number !== asked) return
    found.value = text.trim() || told.colours.length ? told : null
    last = !text.trim()
    answer()
  } catch (error) {
    if (number !== asked) return
    entered = false
    found.value = null
    problem.value = error instanceof ApiError ? error.message : String(error)
  }
}
watch([typed, medium, range], look)

function pick(picked: Picked | null) {
  if (!picked) return
  if ('swatch' in picked) recent.add(picked.swatch.id)
  emit('pick', picked)
}
</script>

<template>
  <!-- The list is always open, so Escape has nothing to close but the dialog around it. -->
  <Combobox
    as="div"
    :model-value="nothing"
    nullable
    @update:model-value="pick"
    @keydown.esc.capture.stop="$emit('leave')"
    @keydown.enter.capture="enter"
  >
    <ComboboxInput
      ref="input"
      class="input !min-h-11 !text-base"
      placeholder="A code, a name, “dark green”, “like moss but bluer”, #1a7c9b"
      aria-label="Find a colour"
      autocomplete="off"
      :display-value="() => typed"
      @change="typed = $event.target.value"
    />
    <div v-if="!column" class="mt-2 flex flex-wrap gap-2" @focusin="knowRanges">
      <ChoiceList v-model="medium" class="w-52" label="Medium" :options="MEDIA" />
      <ChoiceList v-model="range" class="w-52" label="Range" :options="RANGES" />
    </div>
    <p v-if="problem" class="mt-3" role="alert">{{ problem }}</p>
    <p v-else-if="!found" class="mt-3 text-soft">
      Type part of a code or name, with or without dashes, or what it looks like.
      <span class="pointer-coarse:hidden">Arrow keys move, Enter will {{ act }}.</span>
    </p>
    <p v-else-if="!found.value && !found.colours.length" class="mt-3">
      No colour of any range has “{{ typed }}” in its code or name, and it is no colour word.
    </p>
    <p v-else-if="!typed.trim()" class="mt-3 text-xs text-soft">Picked last</p>
    <p v-else-if="found.described" class="mt-3 text-xs text-soft">
      What is called so first, then what looks so, the nearest first.
    </p>
    <ComboboxOptions
      v-if="found && (found.value || found.colours.length)"
      static
      class="mt-3 max-h-[52vh] overflow-y-auto rounded-panel border border-line bg-sheet"
    >
      <ComboboxOption v-if="found.value" v-slot="{ active }" :value="typedPick">
        <div
          class="flex items-center gap-3 px-3 py-2"
          :class="active && 'bg-room ring-2 ring-ink ring-inset'"
        >
          <span class="h-10 w-13 rounded-data" :style="{ background: found.value.hex }" />
          <span class="flex-1">
            <b>{{ found.value.hue_name }}</b>
            <span class="block text-xs">
              L {{ found.value.lab[0] }}, a {{ found.value.lab[1] }}, b {{ found.value.lab[2] }}
              <template v-if="!found.value.on_screen">, outside what this screen can show</template>
            </span>
          </span>
          <span class="text-xs">{{
            found.value.provenance === 'screen' ? 'from a screen value' : 'typed'
          }}</span>
        </div>
      </ComboboxOption>
      <ComboboxOption
        v-for="(swatch, n) in found.colours"
        :key="swatch.id"
        v-slot="{ active }"
        :value="picks[n]"
      >
        <div
          class="flex items-center gap-3 px-3 py-1.5"
          :class="active && 'bg-room ring-2 ring-ink ring-inset'"
        >
          <SwatchShape :swatch="swatch" />
          <span class="min-w-0 flex-1">
            <b>{{ swatch.label }}</b>
            <span v-if="swatch.code && swatch.name" class="ml-1.5">{{ swatch.name }}</span>
            <span class="block truncate text-xs">{{ swatch.range_name }}, {{ swatch.medium }}</span>
          </span>
          <span class="text-right text-xs">
            <span v-if="swatch.owned" class="block">in my drawer</span>
            <span v-if="swatch.discontinued" class="block">discontinued</span>
          </span>
        </div>
      </ComboboxOption>
      <li v-if="found.more" class="px-3 py-2 text-xs text-soft">More fit: type a little more.</li>
    </ComboboxOptions>
  </Combobox>
</template>
