<script setup lang="ts">
import { RadioGroup, RadioGroupOption } from '@headlessui/vue'
import { ArrowUpIcon, SunIcon } from '@heroicons/vue/16/solid'
import type { LightFrom } from '@/api/client'
import { inWords } from '@/lib/words'
import { usePicture } from './picture'

/** Where the light comes from; in the middle the other school, light centres and dark edges. */
const { picture, set } = usePicture()
const PLACES: [LightFrom, number][] = [
  ['upper-left', 135],
  ['top', 180],
  ['upper-right', 225],
  ['left', 90],
  ['centre', 0],
  ['right', 270],
  ['lower-left', 45],
  ['bottom', 0],
  ['lower-right', 315],
]
const words = (light: LightFrom) =>
  light === 'centre' ? 'light centres and dark edges' : `light from the ${inWords(light)}`
</script>

<template>
  <RadioGroup
    :model-value="picture.light"
    class="grid w-max grid-cols-3 gap-0.5"
    aria-label="The light"
    @update:model-value="set({ light: $event })"
  >
    <RadioGroupOption
      v-for="[place, turn] in PLACES"
      :key="place"
      v-slot="{ checked }"
      :value="place"
      :aria-label="words(place)"
      :title="words(place)"
      class="rounded-data"
    >
      <span
        class="flex size-6 cursor-pointer items-center justify-center rounded-data border"
        :class="checked ? 'border-strong bg-strong text-onstrong' : 'border-line bg-sheet'"
      >
        <SunIcon v-if="place === 'centre'" class="size-3.5" aria-hidden="true" />
        <ArrowUpIcon
          v-else
          class="size-3.5"
          :style="{ transform: `rotate(${turn}deg)` }"
          aria-hidden="true"
        />
      </span>
    </RadioGroupOption>
  </RadioGroup>
</template>
