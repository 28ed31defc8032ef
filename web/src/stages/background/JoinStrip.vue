<script setup lang="ts">
import { computed } from 'vue'
import type { Join } from '@/api/client'
import { useSession } from '@/lib/session'
import { isWet } from './ground'

/** What lies between two pads, from the one to the other. */
const { join } = defineProps<{ join: Join }>()
const session = useSession()
const background = computed(() => {
  const strip = (isWet.value && join.wet.length ? join.wet : join.strip).map(
    (shades) => shades[session.view],
  )
  // Two colours are two layers, the one over the other: an edge, no run.
  if (strip.length === 2) return `linear-gradient(90deg, ${strip[0]} 50%, ${strip[1]} 50%)`
  return `linear-gradient(90deg, ${strip.join(', ')})`
})
</script>

<template>
  <span v-if="join.strip.length" class="block rounded-data" :style="{ background }" />
  <span v-else class="block rounded-data border border-dashed border-edge" />
</template>
