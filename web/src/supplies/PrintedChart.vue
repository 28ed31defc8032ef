<script setup lang="ts">
import { keep } from '@/lib/takeAlong'
import { useProgress } from '@/lib/reading'
import ProgressLine from '@/ui/ProgressLine.vue'

/** Buttons that make a chart as a PDF and keep it: with thousands of boxes it tells how far it is. */
const { path, main = false } = defineProps<{
  path: string
  kinds: readonly { words: string; query: string; less?: boolean }[]
  main?: boolean
}>()
const { step, problem, ask, cancel } = useProgress()

async function print(query: string) {
  const made = await ask<{ pdf: string; name: string }>(`${path}?${query}`, {})
  if (!made) return
  const bytes = Uint8Array.from(atob(made.pdf), (letter) => letter.charCodeAt(0))
  keep(new Blob([bytes], { type: 'application/pdf' }), made.name)
}
</script>

<template>
  <button
    v-for="{ words, query, less } in kinds"
    :key="query"
    type="button"
    class="button"
    :class="main && !less && 'button-main'"
    :disabled="!!step"
    @click="print(query)"
  >
    {{ words }}
  </button>
  <ProgressLine v-if="step" :step="step" @cancel="cancel" />
  <p v-if="problem" role="alert" class="border-l-2 border-ink pl-3">{{ problem }}</p>
</template>
