<script setup lang="ts">
import { computed, ref } from 'vue'
import { WORDS } from './words'
import Field from '@/ui/Field.vue'

/** Every special word that Jindle says, each in one plain line. */
const typed = ref('')
const shown = computed(() => {
  const wanted = typed.value.trim().toLowerCase()
  return WORDS.filter((one) => `${one.word} ${one.plain}`.toLowerCase().includes(wanted))
})
</script>

<template>
  <main class="overflow-y-auto p-6 small:p-3">
    <h1 class="mb-1 text-xl">Words</h1>
    <p class="mb-4 max-w-2xl">
      Nobody needs to know these to make a card. Where one stands, a ? beside it says the same.
    </p>
    <Field label="Look for a word" class="mb-4 block max-w-sm">
      <input v-model="typed" class="input" type="search" />
    </Field>
    <p v-if="!shown.length">None of these words is “{{ typed }}”.</p>
    <dl class="max-w-3xl">
      <div v-for="one in shown" :key="one.word" class="border-b border-line py-2 sm:flex sm:gap-6">
        <dt class="w-44 shrink-0 font-semibold">{{ one.word }}</dt>
        <dd>{{ one.plain }}</dd>
      </div>
    </dl>
  </main>
</template>
