<script setup lang="ts">
import FileButton from './FileButton.vue'

/** A picture from a file or, where there is a finger, from the phone's own camera. */
defineEmits<{ file: [file: File] }>()
const KINDS = 'image/png,image/jpeg,image/webp'
</script>

<template>
  <span class="inline-flex flex-wrap gap-2">
    <FileButton
      class="button-main hidden pointer-coarse:inline-flex"
      :accept="KINDS"
      camera
      @file="$emit('file', $event)"
      >Take a photo</FileButton
    >
    <FileButton :accept="KINDS" @file="$emit('file', $event)"><slot /></FileButton>
  </span>
</template>
