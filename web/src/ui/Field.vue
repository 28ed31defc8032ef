<script setup lang="ts">
/** A control with its name over it. */
defineProps<{ label: string }>()
</script>

<template>
  <label class="block">
    <span class="label">{{ label }}</span>
    <slot />
  </label>
</template>
