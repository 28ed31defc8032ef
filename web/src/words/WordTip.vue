<script setup lang="ts">
import { Popover, PopoverButton, PopoverPanel } from '@headlessui/vue'
import { plainly } from './words'

/** What a special word means, where it stands: opened by a press, a key or a touch. */
const { word } = defineProps<{ word: string }>()
</script>

<template>
  <Popover as="span" class="relative inline-block">
    <PopoverButton
      class="ml-1 inline-flex size-5 cursor-pointer items-center justify-center rounded-full border border-edge align-middle text-xs"
      :aria-label="`What “${word}” means`"
      >?</PopoverButton
    >
    <PopoverPanel
      class="panel absolute top-full left-0 z-30 mt-1 w-64 p-3 text-xs font-normal normal-case"
    >
      <b>{{ word }}</b>: {{ plainly(word) }}
      <RouterLink to="/words" class="mt-1 block underline">All words</RouterLink>
    </PopoverPanel>
  </Popover>
</template>
