<script setup lang="ts">
import { api, got } from '@/api/client'
import KeepDialog from '@/ui/KeepDialog.vue'
import type { StartColour } from './starting'

/** Colours that go onto the shelf of combinations: those given, or a card's. */
const { colours, card } = defineProps<{
  suggested: string
  colours?: StartColour[]
  card?: number
}>()
defineEmits<{ close: [] }>()
const keep = (name: string) =>
  got(
    api.POST('/api/palettes/combinations', {
      body: { name, colours: colours ?? [], card: card ?? null },
    }),
  )
</script>

<template>
  <KeepDialog
    title="Keep this combination"
    among="combinations"
    :suggested="suggested"
    :keep="keep"
    @close="$emit('close')"
  >
    Kept are the colours themselves, with their names and roles, tied to no supply: so the
    combination can be landed on whatever you own by then.
  </KeepDialog>
</template>
