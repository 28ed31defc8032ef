<script setup lang="ts">
import { LockClosedIcon } from '@heroicons/vue/16/solid'
import { computed, ref } from 'vue'
import type { Cell } from '@/api/client'
import { useCard } from '@/card/card'
import { useDrawer } from '@/lib/drawer'
import { called, figure, nearness, percent } from '@/lib/words'
import ColourMenu from '@/ui/ColourMenu.vue'
import OwnedCorner from '@/ui/OwnedCorner.vue'
import SwatchShape from '@/drawing/SwatchShape.vue'
import TheFigure from '@/ui/TheFigure.vue'

const { cell, itself } = defineProps<{ cell: Cell; itself: boolean }>()
const store = useCard()
const { keep } = useDrawer(() => store.refresh())
const near = ref(false) // what a cell can be asked is made once somebody comes near it: there are many cells
const words = computed(() =>
  itself ? 'the colour itself' : cell.match ? nearness(cell.match, true) : 'nothing to choose from',
)
</script>

<template>
  <div
    role="gridcell"
    class="group relative flex min-h-[84px] min-w-0 cursor-pointer items-center gap-2 border-y border-line px-2 py-1.5 first-of-type:border-l hover:border-edge"
    :class="cell.hole ? 'hole' : 'bg-sheet'"
    @pointerenter="near = true"
    @focusin="near = true"
  >
    <template v-if="!cell.match">
      <span class="text-xs text-soft">Nothing to choose from</span>
    </template>
    <template v-else-if="cell.hole">
      <span class="min-w-0">
        <b class="block">Nothing near</b>
        <span class="block text-xs break-words">
          {{ called(cell.match.swatch) }} is {{ words }}
        </span>
        <TheFigure class="block" :text="figure(cell.match)" />
      </span>
    </template>
    <template v-else>
      <SwatchShape :swatch="cell.match.swatch" />
      <span class="min-w-0 flex-1">
        <b class="line-clamp-2 break-words" :title="cell.match.swatch.range_name">{{
          cell.match.swatch.label
        }}</b>
        <span v-if="cell.match.swatch.code" class="block truncate text-xs">{{
          cell.match.swatch.name
        }}</span>
        <span class="block text-xs leading-tight">{{ words }}</span>
        <TheFigure v-if="!itself" class="block" :text="figure(cell.match)" />
        <span v-if="cell.match.swatch.share" class="block text-xs text-soft">
          {{ percent(cell.match.swatch.share) }} of it
        </span>
      </span>
      <OwnedCorner :swatch="cell.match.swatch" />
    </template>
    <span v-if="cell.match" class="sr-only">
      , {{ cell.match.swatch.provenance_words
      }}<template v-if="cell.state !== 'nearest'">, {{ cell.state }}</template>
    </span>
    <span
      v-if="cell.match && near"
      class="absolute bottom-0 left-0 hidden rounded-data bg-sheet group-hover:flex group-focus:flex group-has-[[aria-expanded=true]]:flex"
      @click.stop
      @keydown.stop
    >
      <button
        v-if="!cell.match.swatch.owned"
        type="button"
        tabindex="-1"
        class="button button-plain !min-h-6 !px-1 !text-xs"
        @click="keep(cell.match.swatch, 'full')"
      >
        I own it<span class="sr-only">: {{ cell.match.swatch.label }}</span>
      </button>
      <ColourMenu compact :swatch="cell.match.swatch" @changed="store.refresh()" />
    </span>
    <LockClosedIcon
      v-if="cell.state === 'locked'"
      class="absolute right-1 bottom-1 size-4"
      aria-hidden="true"
    />
    <span
      v-else-if="cell.state === 'chosen'"
      class="absolute right-1.5 bottom-1.5 size-2 rounded-full bg-ink"
      title="chosen by hand"
    />
  </div>
</template>

<style scoped>
.hole {
  outline: 1px dashed var(--edge);
  outline-offset: -5px;
  padding-inline: 12px;
}
.hole:focus-visible {
  outline: 2px solid var(--ink);
  outline-offset: 2px;
}
</style>
