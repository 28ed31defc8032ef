<script setup lang="ts">
import type { Area } from '@/api/client'
import AreaFields from './AreaFields.vue'
import { usePicture } from './picture'

/** Several areas at once: what is said here is said of all of them. */
defineProps<{ areas: Area[]; others: { value: number; words: string }[] }>()
defineEmits<{ families: []; clear: [] }>()
const { store } = usePicture()
</script>

<template>
  <section class="panel min-w-0 p-4" aria-label="The chosen areas">
    <h2 class="mb-1 text-base">{{ areas.length }} areas</h2>
    <p class="mb-3 text-xs text-soft">{{ areas.map((one) => one.name).join(', ') }}</p>
    <AreaFields :areas="areas" :others="others" />
    <p class="mb-3 text-xs">A colour of the strip below, or its key, is taken for all of them.</p>
    <div class="flex flex-wrap gap-2">
      <button
        type="button"
        class="button button-main"
        :disabled="store.busy"
        @click="$emit('families')"
      >
        Find families for them
      </button>
      <button type="button" class="button" @click="$emit('clear')">Choose none</button>
    </div>
  </section>
</template>
