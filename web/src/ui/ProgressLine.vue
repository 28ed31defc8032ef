<script setup lang="ts">
/** How far some work has come, what it is doing, and a way to stop it. */
defineProps<{ step: { share?: number; words?: string } }>()
defineEmits<{ cancel: [] }>()
</script>

<template>
  <p class="flex items-center gap-4" role="status">
    <progress class="w-40" :value="step.share ?? 1" max="1" aria-label="How far it has come" />
    {{ Math.round((step.share ?? 1) * 100) }} %, {{ step.words ?? 'done' }} …
    <button type="button" class="button" @click="$emit('cancel')">Cancel</button>
  </p>
</template>
