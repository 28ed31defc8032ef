<script setup lang="ts">
import type { PaletteColour } from '@/api/client'
import { useShade } from '@/lib/screen'

defineProps<{ colour: PaletteColour; place: number; lit: boolean }>()
const shade = useShade()
</script>

<template>
  <div
    role="rowheader"
    class="sticky left-0 z-10 flex min-w-0 cursor-pointer items-center gap-2 rounded-data py-1 pr-2 pl-1"
    :class="lit ? 'bg-sheet ring-1 ring-ink' : 'bg-room'"
  >
    <b class="w-5 text-center font-title text-lg">{{ place }}</b>
    <span
      class="size-9 shrink-0 border"
      :class="colour.provenance_words === 'read' ? 'border-line' : 'border-dashed border-edge'"
      :style="{ background: shade(colour) }"
    />
    <span class="min-w-0 flex-1">
      <b class="block truncate" :title="colour.name">{{ colour.name }}</b>
      <span class="block truncate text-xs text-soft">{{ colour.role }}</span>
      <span v-if="colour.lost" class="block text-xs">no longer in your supplies</span>
      <span v-else-if="!colour.on_screen" class="block text-xs text-soft">beyond screen</span>
      <span class="sr-only">, {{ colour.hue_name }}. Enter to change</span>
    </span>
  </div>
</template>
