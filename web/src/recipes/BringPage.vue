<script setup lang="ts">
import { shallowRef } from 'vue'
import FileButton from '@/ui/FileButton.vue'
import ArrivingView from './ArrivingView.vue'

/** Somebody else's recipe, from a file. */
const file = shallowRef<File>()
</script>

<template>
  <main class="overflow-y-auto p-6 small:p-3">
    <header class="head">
      <RouterLink to="/cards" class="button">Back to the cards</RouterLink>
      <h1 class="flex-1 text-xl max-sm:order-first max-sm:basis-full">Bring in a recipe</h1>
      <FileButton accept=".json,application/json" @file="file = $event">{{
        file ? 'Another file' : 'Choose the file'
      }}</FileButton>
    </header>
    <p v-if="!file" class="max-w-[60ch]">
      A recipe file holds a whole card: its sizes, areas, layers and order, and each colour by code
      and by value. Here it is moved into what you have: what is the same stays, shading families
      keep their steps, and everything else goes to what comes nearest. You see what gives way
      before a card of your own begins.
    </p>
    <ArrivingView v-else :key="file.name + file.lastModified" :source="{ file }" />
  </main>
</template>
