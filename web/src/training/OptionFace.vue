<script setup lang="ts">
import { along } from './training'

/** One thing that is asked: a plain field of its colour, a word on its ground, or a strip. */
const { shades, strip = [] } = defineProps<{ shades: string[]; strip?: string[] }>()
</script>

<template>
  <span v-if="strip.length" class="block h-full w-full" :style="{ background: along(strip) }" />
  <span
    v-else-if="shades.length > 1"
    class="flex h-full w-full items-center justify-center px-1 text-lg leading-tight font-semibold"
    :style="{ background: shades[1], color: shades[0] }"
    >Thank you</span
  >
  <span v-else class="block h-full w-full" :style="{ background: shades[0] }" />
</template>
