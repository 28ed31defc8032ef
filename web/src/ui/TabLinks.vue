<script setup lang="ts">
import type { RouteLocationRaw } from 'vue-router'

/** Links between the views of one thing. */
defineProps<{ tabs: { to: RouteLocationRaw; words: string; here: boolean }[]; label: string }>()
</script>

<template>
  <nav
    :aria-label="label"
    class="relative flex flex-wrap gap-1 small:flex-nowrap small:overflow-x-auto"
  >
    <RouterLink
      v-for="tab in tabs"
      :key="tab.words"
      :to="tab.to"
      class="button shrink-0"
      :class="tab.here ? 'button-main' : 'button-plain'"
      :aria-current="tab.here ? 'page' : undefined"
      >{{ tab.words }}</RouterLink
    >
  </nav>
</template>
