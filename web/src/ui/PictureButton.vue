<script setup lang="ts">
import { useMediaQuery } from '@vueuse/core'
import FileButton from './FileButton.vue'

/** A picture from a file or, where there is a finger, from the phone's own camera. */
defineEmits<{ file: [file: File] }>()
const finger = useMediaQuery('(pointer: coarse)')
const KINDS = 'image/png,image/jpeg,image/webp'
</script>

<template>
  <span class="inline-flex flex-wrap gap-2">
    <FileButton
      v-if="finger"
      class="button-main"
      :accept="KINDS"
      camera
      @file="$emit('file', $event)"
      >Take a photo</FileButton
    >
    <FileButton :accept="KINDS" @file="$emit('file', $event)"><slot /></FileButton>
  </span>
</template>
