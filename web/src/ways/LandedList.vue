<script setup lang="ts">
import type { Landing } from '@/api/client'
import LandedPalette from './LandedPalette.vue'
import { onSupplies } from './starting'
import { useWays } from './ways'

/** Palettes that were landed on supplies, each to be kept, or a card to be started from it. */
defineProps<{ landings: Landing[] }>()
defineEmits<{ changed: [] }>()
const { start, keep } = useWays()
</script>

<template>
  <div class="space-y-4">
    <LandedPalette
      v-for="(one, at) in landings"
      :key="at"
      :title="one.title"
      :about="one.about"
      :colours="one.colours"
      :reasons="one.reasons"
      @changed="$emit('changed')"
    >
      <button type="button" class="button" @click="keep(one.title, onSupplies(one.colours))">
        Keep it …
      </button>
      <button
        type="button"
        class="button button-main"
        @click="start(one.title, onSupplies(one.colours))"
      >
        Start a card …
      </button>
    </LandedPalette>
    <slot />
  </div>
</template>
