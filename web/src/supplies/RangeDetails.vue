<script setup lang="ts">
import { plural } from '@/lib/words'
import ChoiceList from '@/ui/ChoiceList.vue'
import RangeFields, { type Fields } from './RangeFields.vue'

export type Details = Fields & { provenance: 'label' | 'read' | 'photographed' }
const details = defineModel<Details>({ required: true })
defineProps<{ ready: boolean; count: number }>()
const emit = defineEmits<{ store: []; provenance: [] }>()
const SOURCES = [
  { value: 'label', words: 'from the label or a chart' },
  { value: 'read', words: 'read with an instrument' },
  { value: 'photographed', words: 'photographed' },
] as const

function setSource(value: Details['provenance']) {
  details.value.provenance = value
  emit('provenance')
}
</script>

<template>
  <form class="panel p-5" @submit.prevent="$emit('store')">
    <h2 class="mb-3 text-base">The range</h2>
    <RangeFields v-model="details">
      <div>
        <span class="label">Where its L, a, b come from</span>
        <ChoiceList
          :model-value="details.provenance"
          label="Where its L, a, b come from"
          :options="[...SOURCES]"
          @update:model-value="setSource"
        />
      </div>
    </RangeFields>
    <button type="submit" class="button button-main mt-4" :disabled="!ready">
      {{ ready ? `Store ${plural(count, 'colour')}` : 'Nothing to store yet' }}
    </button>
  </form>
</template>
