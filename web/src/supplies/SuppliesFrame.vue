<script setup lang="ts">
import { computed } from 'vue'
import { useRoute } from 'vue-router'
import TabLinks from '@/ui/TabLinks.vue'

/** Ranges, the drawer, the shopping list: what there is, what is mine, what is wanting. */
const route = useRoute()
const tabs = computed(() =>
  [
    { to: '/supplies', words: 'Ranges' },
    { to: '/supplies/drawer', words: 'My drawer' },
    { to: '/supplies/shopping', words: 'Shopping list' },
    { to: '/supplies/sure', words: 'How sure it is' },
  ].map((tab) => ({ ...tab, here: route.path === tab.to })),
)
</script>

<template>
  <main class="overflow-y-auto p-6 small:p-3">
    <header class="head small:flex-wrap small:overflow-visible">
      <h1 class="text-xl small:sr-only">Supplies</h1>
      <TabLinks :tabs="tabs" label="Supplies" />
      <div class="row ml-auto small:ml-0 small:w-full">
        <slot name="actions" />
      </div>
    </header>
    <slot />
  </main>
</template>
