<script setup lang="ts">
import type { Range } from '@/api/client'
import { mediumValues } from '@/api/schema'
import { plural } from '@/lib/words'
import ChoiceList from '@/ui/ChoiceList.vue'

export type Details = {
  name: string
  maker: string
  medium: Range['medium']
  note: string
  provenance: 'label' | 'read' | 'photographed'
}
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
    <div class="grid gap-3 sm:grid-cols-2">
      <div>
        <label class="label" for="range-name">Name</label>
        <input id="range-name" v-model="details.name" class="input" required maxlength="500" />
      </div>
      <div>
        <label class="label" for="range-maker">Maker (optional)</label>
        <input id="range-maker" v-model="details.maker" class="input" maxlength="500" />
      </div>
      <div>
        <span class="label">Medium</span>
        <ChoiceList
          v-model="details.medium"
          label="Medium"
          :options="mediumValues.map((value) => ({ value, words: value }))"
        />
      </div>
      <div>
        <span class="label">Where its L, a, b come from</span>
        <ChoiceList
          :model-value="details.provenance"
          label="Where its L, a, b come from"
          :options="[...SOURCES]"
          @update:model-value="setSource"
        />
      </div>
      <div class="sm:col-span-2">
        <label class="label" for="range-note">Note on how its codes are built (optional)</label>
        <input id="range-note" v-model="details.note" class="input" maxlength="2000" />
      </div>
    </div>
    <button type="submit" class="button button-main mt-4" :disabled="!ready">
      {{ ready ? `Store ${plural(count, 'colour')}` : 'Nothing to store yet' }}
    </button>
  </form>
</template>
