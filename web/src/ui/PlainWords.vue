<script setup lang="ts">
import { computed } from 'vue'
import TheFigure from './TheFigure.vue'

/** What the rules say, with the figures that they give in brackets as figures are shown: inside a button without tip. */
const { text, tip = true } = defineProps<{ text: string; tip?: boolean }>()
const parts = computed(() =>
  text
    .split(/\s*\(([^()]*(?:ΔE|ΔL\*|±)[^()]*)\)/)
    .map((said, at) => ({ said, isFigure: at % 2 === 1 }))
    .filter(({ said }) => said),
)
</script>

<template>
  <template v-for="(part, n) in parts" :key="n"
    ><template v-if="!part.isFigure">{{ part.said }}</template
    ><template v-else>{{ ' ' }}<TheFigure :tip="tip" :text="part.said" /></template
  ></template>
</template>
