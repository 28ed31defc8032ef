<script setup lang="ts" generic="T extends string | number">
import { Listbox, ListboxButton, ListboxOption, ListboxOptions } from '@headlessui/vue'
import { CheckIcon, ChevronUpDownIcon } from '@heroicons/vue/20/solid'
import { computed } from 'vue'

/** A list to choose one from; `shade` shows a colour beside the words. */
const { options } = defineProps<{
  label: string
  options: { value: T; words: string; shade?: string }[]
}>()
const model = defineModel<T>({ required: true })
const chosen = computed(() => options.find((option) => option.value === model.value))
// What is read aloud holds what is seen, also while the choices are still on their way.
const words = computed(() => chosen.value?.words ?? 'Choose…')
</script>

<template>
  <Listbox v-slot="{ open }" v-model="model" as="div" class="relative">
    <ListboxButton
      class="input flex items-center gap-2 text-left"
      :aria-label="`${label}: ${words}`"
    >
      <span
        v-if="chosen?.shade"
        class="size-4 shrink-0 rounded-data"
        :style="{ background: chosen.shade }"
      />
      <span class="min-w-0 flex-1 truncate">{{ words }}</span>
      <ChevronUpDownIcon class="size-4 shrink-0" aria-hidden="true" />
    </ListboxButton>
    <ListboxOptions
      v-if="open"
      static
      class="panel absolute z-10 mt-1 max-h-64 w-max max-w-80 min-w-full overflow-auto py-1"
      :aria-label="label"
    >
      <ListboxOption
        v-for="option in options"
        :key="option.value"
        v-slot="{ active, selected }"
        :value="option.value"
      >
        <div
          class="flex cursor-pointer items-center gap-2 px-3 py-1.5"
          :class="active && 'bg-strong text-onstrong'"
        >
          <span
            v-if="option.shade"
            class="size-4 shrink-0 rounded-data"
            :style="{ background: option.shade }"
          />
          <span class="flex-1 break-words">{{ option.words }}</span>
          <CheckIcon v-if="selected" class="size-4" aria-hidden="true" />
        </div>
      </ListboxOption>
    </ListboxOptions>
  </Listbox>
</template>
