<script setup lang="ts" generic="T extends string">
import { RadioGroup, RadioGroupOption } from '@headlessui/vue'

/** Which of many things are shown, with how many there are. */
defineProps<{ label: string; groups: { value: T; words: string; count: number }[] }>()
const model = defineModel<T>({ required: true })
</script>

<template>
  <RadioGroup v-model="model" class="flex gap-1 overflow-x-auto p-1" :aria-label="label">
    <RadioGroupOption
      v-for="one in groups"
      :key="one.value"
      v-slot="{ checked }"
      :value="one.value"
      class="shrink-0 rounded-panel"
    >
      <span class="button" :class="checked && 'button-main'"
        >{{ one.words }} <span class="text-xs">{{ one.count }}</span></span
      >
    </RadioGroupOption>
  </RadioGroup>
</template>
