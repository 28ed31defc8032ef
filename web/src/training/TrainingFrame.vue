<script setup lang="ts">
import { computed } from 'vue'
import { useRoute } from 'vue-router'
import TabLinks from '@/ui/TabLinks.vue'

/** Training the eye: the exercises, how one comes on, on paper, and what was answered. */
const route = useRoute()
const tabs = computed(() =>
  [
    { to: '/training', words: 'Exercises' },
    { to: '/training/progress', words: 'How I come on' },
    { to: '/training/paper', words: 'On paper' },
    { to: '/training/answered', words: 'What I answered' },
  ].map((tab) => ({ ...tab, here: route.path === tab.to })),
)
</script>

<template>
  <main class="overflow-y-auto p-6 small:p-3">
    <header class="head">
      <h1 class="text-xl">Training</h1>
      <TabLinks :tabs="tabs" label="Parts of training" />
    </header>
    <RouterView />
  </main>
</template>
