<script setup lang="ts">
import { computed } from 'vue'
import type { Swatch } from '@/api/client'

/** The corner that says "in my drawer": filled, barred when low, hollow when dry. Its parent is positioned. */
const { swatch } = defineProps<{ swatch: Swatch }>()
const words = computed(() =>
  swatch.fullness === 'low' || swatch.fullness === 'dry'
    ? `in my drawer, ${swatch.fullness}`
    : 'in my drawer',
)
</script>

<template>
  <template v-if="swatch.owned">
    <svg viewBox="0 0 14 14" class="absolute top-0 right-0 size-3.5" aria-hidden="true">
      <path
        d="M0 0 H14 V14 Z"
        :fill="swatch.fullness === 'dry' ? 'var(--sheet)' : 'var(--ink)'"
        stroke="var(--ink)"
        stroke-width="1.5"
      />
      <path
        v-if="swatch.fullness === 'low'"
        d="M7 2.5 L12 7.5"
        stroke="var(--sheet)"
        stroke-width="2"
      />
    </svg>
    <span class="sr-only">{{ words }}</span>
  </template>
</template>
