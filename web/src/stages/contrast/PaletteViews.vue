<script setup lang="ts">
import { useCard } from '@/card/card'
import type { View } from '@/lib/session'

/** The whole palette side by side in every view, whatever view the page is in. */
const store = useCard()
const ROWS: { view: View; words: string; note: string }[] = [
  { view: 'colour', words: 'Colour', note: 'as it is' },
  { view: 'greys', words: 'Greys', note: 'the squint test' },
  { view: 'lamp', words: 'Lamp', note: 'warm evening light' },
  { view: 'protan', words: 'Eyes', note: 'sees no red' },
  { view: 'deutan', words: 'Eyes', note: 'sees no green' },
  { view: 'tritan', words: 'Eyes', note: 'sees no blue' },
]
</script>

<template>
  <section aria-labelledby="views">
    <h2 id="views" class="mb-2 text-base">The palette, looked at six ways</h2>
    <div v-for="row in ROWS" :key="row.view" class="flex items-stretch">
      <p class="w-40 shrink-0 py-2 text-xs">
        <b>{{ row.words }}</b> <span class="text-soft">{{ row.note }}</span>
      </p>
      <span
        v-for="colour in store.card?.colours"
        :key="colour.key"
        class="min-h-10 flex-1"
        :style="{ background: colour.shades[row.view] }"
        :title="`${colour.name} in ${row.words}`"
      />
    </div>
    <div class="flex">
      <span class="w-40 shrink-0" />
      <span
        v-for="(colour, n) in store.card?.colours"
        :key="colour.key"
        class="min-w-0 flex-1 truncate pt-1 text-xs"
        >{{ n + 1 }} {{ colour.name }}</span
      >
    </div>
  </section>
</template>
