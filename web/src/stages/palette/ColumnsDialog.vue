<script setup lang="ts">
import { useCard } from '@/card/card'
import AppDialog from '@/ui/AppDialog.vue'
import OnOff from '@/ui/OnOff.vue'

/** Which columns the palette table of this card has beyond the usual ones. */
defineEmits<{ close: [] }>()
const store = useCard()

function show(key: string, on: boolean) {
  return store.change(({ further }) => {
    const shown = further.filter((one) => (one.key === key ? on : one.shown))
    return { kind: 'show_columns', columns: shown.map((one) => one.key) }
  })
}
</script>

<template>
  <AppDialog title="Further columns" @close="$emit('close')">
    <p class="mb-3">
      Markers, pads, pencils, cardstock and papers are always there. What else this card is made
      with can stand beside them.
    </p>
    <ul class="space-y-2">
      <li v-for="column in store.card!.further" :key="column.key">
        <OnOff :model-value="column.shown" @update:model-value="show(column.key, $event)">{{
          column.title
        }}</OnOff>
      </li>
    </ul>
    <p class="mt-3 text-xs text-soft">
      What was chosen in a column goes with it when it is put away; Undo brings both back.
    </p>
  </AppDialog>
</template>
