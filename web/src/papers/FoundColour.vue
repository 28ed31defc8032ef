<script setup lang="ts">
import type { PaperReading } from '@/api/client'
import { nearness } from '@/lib/words'

/** A colour found on a sheet; pointing at it shows where it stands. */
const name = defineModel<string | undefined>('name')
const { colour } = defineProps<{
  colour: PaperReading['colours'][number]
  share: string
  chosen: boolean
}>()
defineEmits<{ toggle: []; point: []; leave: [] }>()
</script>

<template>
  <li
    class="flex items-center gap-3 border bg-sheet p-2"
    :class="chosen ? 'border-ink ring-1 ring-ink' : 'border-line'"
    @mouseenter="$emit('point')"
    @mouseleave="$emit('leave')"
    @focusin="$emit('point')"
    @focusout="$emit('leave')"
  >
    <input
      type="checkbox"
      class="size-4 accent-ink"
      :checked="chosen"
      :aria-label="`Choose the ${colour.part}, ${colour.hue_name}`"
      @change="$emit('toggle')"
    />
    <span
      class="h-12 w-16 shrink-0 border border-dashed border-edge"
      :style="{ background: colour.hex }"
    />
    <span class="w-32 shrink-0">
      <b>{{ share }}</b> {{ colour.part }}
      <span class="block text-xs text-soft">{{ colour.hue_name }}</span>
    </span>
    <input
      v-model="name"
      class="input !w-32"
      maxlength="80"
      :placeholder="colour.hue_name"
      :aria-label="`Name of the ${colour.part}, ${colour.hue_name}`"
    />
    <span class="flex min-w-0 flex-1 flex-wrap gap-x-3 gap-y-1 text-xs">
      <span
        v-for="match in colour.matches"
        :key="match.swatch.id"
        class="flex items-center gap-1"
        :title="`${match.swatch.range_name}, ${match.swatch.medium}: ${nearness(match)}`"
      >
        <span class="size-4 shrink-0" :style="{ background: match.swatch.shades.colour }" />
        <span>{{ match.swatch.label }}<b v-if="match.swatch.owned">, mine</b></span>
      </span>
    </span>
  </li>
</template>
