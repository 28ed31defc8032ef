<script setup lang="ts">
import { api, got } from '@/api/client'
import KeepDialog from '@/ui/KeepDialog.vue'

/** A family that is to be used again. */
const { colours } = defineProps<{ suggested: string; colours: number[] }>()
defineEmits<{ close: [] }>()
const keep = (name: string) => got(api.POST('/api/families/kept', { body: { name, colours } }))
</script>

<template>
  <KeepDialog
    title="Keep this family"
    among="families"
    :suggested="suggested"
    :keep="keep"
    @close="$emit('close')"
  >
    It can be used in any area, landed on another range and printed, under Match.
  </KeepDialog>
</template>
