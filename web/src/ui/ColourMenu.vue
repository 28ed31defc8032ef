<script setup lang="ts">
import { computed } from 'vue'
import type { Swatch } from '@/api/client'
import { fullnessValues } from '@/api/schema'
import { useAsked, useDrawer } from '@/lib/drawer'
import DotsMenu, { type DotsItem } from './DotsMenu.vue'
import { useOutbox } from '@/lib/outbox'

/** The same few things for every colour, wherever it stands. */
const {
  swatch,
  compact = false,
  listed = false,
} = defineProps<{
  swatch: Pick<Swatch, 'id' | 'label' | 'code' | 'name' | 'range_name' | 'owned' | 'fullness'>
  listed?: boolean // where all are to buy anyway
  compact?: boolean // all behind the dots, where there is room for no more
}>()
const emit = defineEmits<{ changed: [] }>()
const list = useAsked()
list.ready()
const outbox = useOutbox()
const asked = computed(() => outbox.asked(swatch.id) ?? list.ids.has(swatch.id))
// What was said of it without a network counts here at once.
const said = computed(() => outbox.owned(swatch.id))
const owned = computed(() => (said.value === undefined ? swatch.owned : said.value !== null))
const fullness = computed(() => (said.value === undefined ? swatch.fullness : said.value))
const { keep, want } = useDrawer(() => emit('changed'))
const onTheList = computed<DotsItem[]>(() => {
  if (asked.value) return [{ words: 'Off the shopping list', run: () => want(swatch, false) }]
  return compact ? [{ words: 'To buy', run: () => want(swatch, true) }] : []
})
const items = computed<DotsItem[]>(() => [
  ...fullnessValues.map((full) => ({
    words: full === 'full' ? 'I own it, full' : `It is ${full}`,
    chosen: fullness.value === full,
    run: () => keep(swatch, full),
  })),
  ...(owned.value ? [{ words: 'It is not mine', run: () => keep(swatch, null) }] : []),
  ...(owned.value ? [] : onTheList.value),
  { words: 'Use instead', to: `/match/${swatch.id}?tab=instead` },
  { words: 'Into a palette', to: `/match/${swatch.id}?palette=1` },
  {
    words: 'Where I used it',
    to: { path: '/log', query: { label: swatch.label, range: swatch.range_name } },
  },
  { words: 'My readings', to: `/match/${swatch.id}?tab=readings` },
])
</script>

<template>
  <div class="inline-flex shrink-0 items-center">
    <template v-if="!owned && !compact">
      <button
        type="button"
        class="button button-plain !min-h-8 !px-2 !text-xs"
        @click="keep(swatch, 'full')"
      >
        I own it<span class="sr-only">: {{ swatch.label }}</span>
      </button>
      <button
        v-if="!asked && !listed"
        type="button"
        class="button button-plain !min-h-8 !px-2 !text-xs"
        @click="want(swatch, true)"
      >
        To buy<span class="sr-only">: {{ swatch.label }}</span>
      </button>
    </template>
    <DotsMenu :label="`More of ${swatch.label}`" :items="items" />
  </div>
</template>
