<script setup lang="ts">
import type { Piece } from '@/api/client'
import OnOff from '@/ui/OnOff.vue'
import { typedDegrees, useBuild, type Fields } from './build'

/** How the pattern of a sheet lies on a piece that is cut out of it. */
const { piece, pattern } = defineProps<{
  piece: Piece
  pattern: NonNullable<Piece['pattern']>
}>()
const { edit } = useBuild()
const set = (told: NonNullable<Fields['pattern']>) => edit(piece.key, { pattern: told })
const typed = (event: Event) => (event.target as HTMLInputElement).value
function turn(event: Event) {
  const degrees = typedDegrees(typed(event))
  if (degrees === null) (event.target as HTMLInputElement).value = String(pattern.turn)
  else void set({ turn: degrees })
}
</script>

<template>
  <fieldset class="grid grid-cols-3 gap-3">
    <legend class="label">Its pattern</legend>
    <div>
      <label class="label" :for="`pattern-right-${piece.key}`">Starts right by (− left)</label>
      <input
        :id="`pattern-right-${piece.key}`"
        class="input"
        placeholder="at its corner"
        :value="pattern.right"
        @change="set({ right: typed($event) || '0' })"
      />
    </div>
    <div>
      <label class="label" :for="`pattern-below-${piece.key}`">and down by (− up)</label>
      <input
        :id="`pattern-below-${piece.key}`"
        class="input"
        placeholder="at its corner"
        :value="pattern.below"
        @change="set({ below: typed($event) || '0' })"
      />
    </div>
    <div>
      <label class="label" :for="`pattern-turn-${piece.key}`">Turned by, degrees</label>
      <input
        :id="`pattern-turn-${piece.key}`"
        class="input"
        inputmode="decimal"
        placeholder="0"
        :value="pattern.turn || ''"
        @change="turn"
      />
    </div>
    <OnOff
      class="col-span-3"
      :model-value="pattern.repeated"
      @update:model-value="set({ repeated: $event })"
      >Goes on past the picture’s edges, as the pattern does on the sheet</OnOff
    >
  </fieldset>
</template>
