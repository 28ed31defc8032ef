<script setup lang="ts">
import type { Hand } from '@/api/client'
import { useSession } from '@/lib/session'
import ChoiceList from './ChoiceList.vue'
import { HANDS } from '@/lib/laid'

/** Layers, hand and card of a swatch. */
defineProps<{ papers: { value: number; words: string; shade?: string }[] }>()
const session = useSession()
const layers = defineModel<number>('layers', { required: true })
const hand = defineModel<Hand>('hand', { required: true })
const paper = defineModel<number>('paper', { required: true })
</script>

<template>
  <div class="grid grid-cols-2 gap-3">
    <div>
      <span class="label">Layers</span>
      <ChoiceList
        v-model="layers"
        label="Layers"
        :options="
          (session.limits?.reading_layers ?? []).map((value) => ({ value, words: String(value) }))
        "
      />
    </div>
    <div>
      <span class="label">Hand</span>
      <ChoiceList v-model="hand" label="Hand" :options="HANDS" />
    </div>
    <div class="col-span-2">
      <span class="label">On</span>
      <ChoiceList v-model="paper" label="On" :options="papers" />
    </div>
  </div>
</template>
