<script setup lang="ts">
import { RadioGroup, RadioGroupOption } from '@headlessui/vue'
import { computed } from 'vue'
import { useSession, type View } from '@/lib/session'

/** Colour, Greys, Lamp, Eyes: how everything on the page is looked at. */
const session = useSession()
const EYES: { value: View; words: string }[] = [
  { value: 'protan', words: 'sees no red' },
  { value: 'deutan', words: 'sees no green' },
  { value: 'tritan', words: 'sees no blue' },
]
const MAIN = [
  { value: 'colour', words: 'Colour' },
  { value: 'greys', words: 'Greys' },
  { value: 'lamp', words: 'Lamp' },
  { value: 'eyes', words: 'Eyes' },
] as const
const inEyes = computed(() => EYES.some((eye) => eye.value === session.view))
const main = computed({
  get: () => (inEyes.value ? 'eyes' : (session.view as 'colour' | 'greys' | 'lamp')),
  set: (value) => (session.view = value === 'eyes' ? 'deutan' : value),
})
</script>

<template>
  <div>
    <RadioGroup v-model="main" class="flex gap-1" aria-label="Look at it in">
      <RadioGroupOption
        v-for="option in MAIN"
        :key="option.value"
        v-slot="{ checked }"
        :value="option.value"
        class="rounded-panel"
      >
        <span class="button" :class="checked && 'button-main'">{{ option.words }}</span>
      </RadioGroupOption>
    </RadioGroup>
    <RadioGroup
      v-if="inEyes"
      v-model="session.view"
      class="mt-1 flex gap-1"
      aria-label="Whose eyes"
    >
      <RadioGroupOption
        v-for="option in EYES"
        :key="option.value"
        v-slot="{ checked }"
        :value="option.value"
        class="rounded-panel"
      >
        <span class="button !px-2 !text-xs" :class="checked && 'button-main'">{{
          option.words
        }}</span>
      </RadioGroupOption>
    </RadioGroup>
  </div>
</template>
