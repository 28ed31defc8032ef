<script setup lang="ts">
import { computed } from 'vue'
import type { Swatch } from '@/api/client'
import { useOutbox } from '@/lib/outbox'

/** The corner that says "in my drawer": filled, barred when low, hollow when dry. Its parent is positioned. */
const { swatch } = defineProps<{ swatch: Swatch }>()
const outbox = useOutbox()
const fullness = computed(() => outbox.fullnessNow(swatch))
const words = computed(() =>
  fullness.value === 'low' || fullness.value === 'dry'
    ? `in my drawer, ${fullness.value}`
    : 'in my drawer',
)
</script>

<template>
  <template v-if="fullness">
    <svg viewBox="0 0 14 14" class="absolute top-0 right-0 size-3.5" aria-hidden="true">
      <path
        d="M0 0 H14 V14 Z"
        :fill="fullness === 'dry' ? 'var(--sheet)' : 'var(--ink)'"
        stroke="var(--ink)"
        stroke-width="1.5"
      />
      <path v-if="fullness === 'low'" d="M7 2.5 L12 7.5" stroke="var(--sheet)" stroke-width="2" />
    </svg>
    <span class="sr-only">{{ words }}</span>
  </template>
</template>
