<script setup lang="ts">
/** Two colours touching; a predicted second one has a dashed edge. */
defineProps<{ first: string; second: string; predicted?: boolean }>()
</script>

<template>
  <span
    class="flex h-14 w-24 shrink-0 overflow-hidden rounded-data border"
    :class="predicted ? 'border-dashed border-edge' : 'border-line'"
    aria-hidden="true"
  >
    <span class="flex-1" :style="{ background: first }" />
    <span class="flex-1" :style="{ background: second }" />
  </span>
</template>
