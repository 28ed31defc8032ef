<script setup lang="ts">
import { ArrowDownTrayIcon } from '@heroicons/vue/20/solid'
import { computed } from 'vue'

/** A recipe as it is printed, and the ways to take it along; `fresh` changes when it is another. */
const { address, file, name } = defineProps<{
  address: string
  file: string // where it stands as an open file
  name: string
  fresh?: string | number
}>()
const ways = computed(() => [
  { words: 'PDF, Letter', href: `${address}?kind=pdf&paper=letter`, file: `${name}.pdf` },
  { words: 'PDF, A4', href: `${address}?kind=pdf&paper=A4`, file: `${name}.pdf` },
  { words: 'One HTML page', href: address, file: `${name}.html` },
  { words: 'Recipe file', href: file, file: `${name}.json` },
])
</script>

<template>
  <section aria-labelledby="sheet">
    <div class="mb-2 flex flex-wrap items-center gap-2">
      <h2 id="sheet" class="mr-2 text-base">Recipe sheet</h2>
      <a v-for="way in ways" :key="way.words" :href="way.href" :download="way.file" class="button">
        <ArrowDownTrayIcon class="size-4" aria-hidden="true" />{{ way.words }}
      </a>
    </div>
    <slot />
    <iframe
      :key="fresh"
      :src="address"
      sandbox=""
      title="The recipe sheet"
      class="h-[70dvh] w-full border border-line bg-white"
    />
  </section>
</template>
