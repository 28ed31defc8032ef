<script setup lang="ts">
import type { Range } from '@/api/client'
import ChoiceList from '@/ui/ChoiceList.vue'
import type { ChartPage } from './chartPage'
import Field from '@/ui/Field.vue'

/** Which page of which printed chart. */
defineProps<{ ranges: Range[] }>()
const chart = defineModel<ChartPage>({ required: true })
</script>

<template>
  <div class="grid grid-cols-2 gap-3 sm:grid-cols-4">
    <div class="col-span-2">
      <span class="label">Range</span>
      <ChoiceList
        :model-value="chart.range"
        label="Range"
        :options="ranges.map((one) => ({ value: one.id, words: one.name }))"
        @update:model-value="(id) => (chart = { ...chart, range: id, page: 1 })"
      />
    </div>
    <div>
      <span class="label">Printed on</span>
      <ChoiceList
        :model-value="chart.sheet"
        label="Printed on"
        :options="[
          { value: 'letter', words: 'Letter' },
          { value: 'a4', words: 'A4' },
        ]"
        @update:model-value="(sheet) => (chart = { ...chart, sheet })"
      />
    </div>
    <Field label="Page">
      <input
        :value="chart.page"
        class="input"
        type="number"
        min="1"
        max="999"
        @input="chart = { ...chart, page: Number(($event.target as HTMLInputElement).value) || 1 }"
      />
    </Field>
    <div class="col-span-2">
      <span class="label">Its boxes</span>
      <ChoiceList
        :model-value="chart.owned ? 'mine' : 'all'"
        label="Its boxes"
        :options="[
          { value: 'all', words: 'the whole range' },
          { value: 'mine', words: 'only mine' },
        ]"
        @update:model-value="(boxes) => (chart = { ...chart, owned: boxes === 'mine' })"
      />
    </div>
  </div>
</template>
