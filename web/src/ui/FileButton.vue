<script setup lang="ts">
/** A button that asks for one file. */
defineProps<{ accept?: string; camera?: boolean }>()
const emit = defineEmits<{ file: [file: File] }>()

function chosen(event: Event) {
  const input = event.target as HTMLInputElement
  const file = input.files?.[0]
  if (file) emit('file', file)
  input.value = ''
}
</script>

<template>
  <label class="button focus-within:outline-2">
    <slot />
    <input
      type="file"
      class="sr-only"
      :accept="accept"
      :capture="camera ? 'environment' : undefined"
      @change="chosen"
    />
  </label>
</template>
