<script setup lang="ts">
import { PlusIcon } from '@heroicons/vue/20/solid'
import { computed } from 'vue'
import { api, got, type Paper } from '@/api/client'
import { useFetched } from '@/lib/fetched'
import { plural } from '@/lib/words'
import SheetTile from './SheetTile.vue'

/** A shelf of patterned papers, by collection. */
const { data } = useFetched([], () => got(api.GET('/api/papers')))
const collections = computed(() => {
  const found = new Map<string, Paper[]>()
  for (const paper of data.value ?? [])
    found.set(paper.collection, [...(found.get(paper.collection) ?? []), paper])
  return [...found]
})
</script>

<template>
  <main class="overflow-y-auto p-6 small:p-3">
    <header class="head justify-between">
      <h1 class="text-xl">Papers</h1>
      <RouterLink to="/papers/add" class="button button-main">
        <PlusIcon class="size-4" aria-hidden="true" />Add a paper
      </RouterLink>
    </header>
    <p v-if="!data" class="text-soft">Fetching the papers …</p>
    <p v-else-if="!data.length" class="panel max-w-xl p-6">
      The shelf is empty. Add a paper from a scan or a photo with a piece of white card beside it,
      and its colours are read.
    </p>
    <section v-for="[collection, papers] in collections" :key="collection" class="mb-6">
      <h2 class="mb-2 text-sm text-soft">{{ collection }}, {{ plural(papers.length, 'sheet') }}</h2>
      <ul class="grid grid-cols-[repeat(auto-fill,minmax(270px,1fr))] gap-2">
        <li v-for="paper in papers" :key="paper.id"><SheetTile :paper="paper" /></li>
      </ul>
    </section>
  </main>
</template>
