<script setup lang="ts">
import AppDialog from './AppDialog.vue'
import FindColour, { type Picked } from './FindColour.vue'

/** Find any colour, from anywhere. */
defineProps<{ act: string }>()
defineEmits<{ close: []; pick: [picked: Picked] }>()
</script>

<template>
  <AppDialog title="Find a colour" @close="$emit('close')">
    <FindColour :act="act" @leave="$emit('close')" @pick="$emit('pick', $event)" />
  </AppDialog>
</template>
