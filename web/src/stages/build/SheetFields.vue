<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import type { Build } from '@/api/client'
import SizeFields, { type Size } from '@/cards/SizeFields.vue'
import { inWords } from '@/lib/words'
import ChoiceList from '@/ui/ChoiceList.vue'
import OnOff from '@/ui/OnOff.vue'
import type { AskedSheets } from './cutting'
import WordTip from '@/words/WordTip.vue'

/** Out of which sheets it is cut: a usual size or one's own, how the grain runs, the middles of mats. */
const { sheets, grains, unit, middles } = defineProps<{
  sheets: Build['sheets']
  grains: Build['grains']
  unit: string
  middles?: boolean
}>()
const asked = defineModel<AskedSheets | null>({ required: true })
const OWN = -1
const sheet = ref(
  Math.max(
    sheets.findIndex((one) => one.unit === unit),
    0,
  ),
)
const own = ref<Size>({ ...sheets[sheet.value]! })
const grain = ref(grains[0]!)
const fromMiddles = ref(false)
const options = [
  ...sheets.map((one, value) => ({ value, words: one.words })),
  { value: OWN, words: 'my own size' },
]
const now = computed(() => {
  const { width, height, unit } = sheet.value === OWN ? own.value : sheets[sheet.value]!
  return { width, height, unit, grain: grain.value, from_middles: fromMiddles.value }
})
watch(now, (said) => (asked.value = said as AskedSheets), { immediate: true })
</script>

<template>
  <div class="flex flex-wrap items-end gap-3">
    <div class="w-52">
      <span class="label">Sheets</span>
      <ChoiceList v-model="sheet" label="Sheets" :options="options" />
    </div>
    <SizeFields v-if="sheet === OWN" v-model="own" />
    <slot />
    <div class="w-48">
      <span class="label">Its fibres run<WordTip word="grain" /></span>
      <ChoiceList
        v-model="grain"
        label="Its fibres run"
        :options="grains.map((value) => ({ value, words: inWords(value) }))"
      />
    </div>
    <OnOff v-if="middles" v-model="fromMiddles" class="pb-2">Use the hidden middles</OnOff>
  </div>
</template>
