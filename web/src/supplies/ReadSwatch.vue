<script setup lang="ts">
import type { SwatchesRead } from '@/api/client'
import { useSession } from '@/lib/session'
import TheFigure from '@/ui/TheFigure.vue'

/** A swatch as it was photographed, touching what is known of it. */
defineProps<{
  read: SwatchesRead['swatches'][number]
  taken: boolean
  pointed: boolean
  removable: boolean
}>()
defineEmits<{ toggle: []; point: []; remove: [] }>()
const session = useSession()
</script>

<template>
  <li
    class="flex items-center gap-3 rounded-data px-1 py-0.5"
    :class="pointed && 'bg-wall'"
    @pointerenter="$emit('point')"
  >
    <input
      type="checkbox"
      class="size-4 shrink-0 accent-ink"
      :checked="taken"
      :aria-label="`Keep the reading of ${read.swatch.label}`"
      @change="$emit('toggle')"
    />
    <span class="flex h-9 w-20 shrink-0 overflow-hidden rounded-data" aria-hidden="true">
      <span class="flex-1" :style="{ background: read.hex }" />
      <span class="flex-1" :style="{ background: read.swatch.shades[session.view] }" />
    </span>
    <span class="min-w-0 flex-1">
      <b class="block truncate">{{ read.swatch.label }}</b>
      <span class="block text-xs">
        <b v-if="read.bare">seems bare</b><b v-else-if="read.uneven">uneven</b>
        <template v-else
          >read <TheFigure tip :text="`ΔE ${read.off.toFixed(1)} from before`"
        /></template>
      </span>
    </span>
    <button
      v-if="removable"
      type="button"
      class="cursor-pointer text-xs underline"
      :aria-label="`Take off the frame of ${read.swatch.label}`"
      @click="$emit('remove')"
    >
      Take off
    </button>
  </li>
</template>
