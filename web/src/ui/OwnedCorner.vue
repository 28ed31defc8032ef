<script setup lang="ts">
/** The filled corner that says "in my drawer". Its parent is positioned. */
defineProps<{ owned: boolean }>()
</script>

<template>
  <template v-if="owned">
    <svg viewBox="0 0 14 14" class="absolute top-0 right-0 size-3.5" aria-hidden="true">
      <path d="M0 0 H14 V14 Z" fill="var(--ink)" />
    </svg>
    <span class="sr-only">in my drawer</span>
  </template>
</template>
