<script setup lang="ts">
import { ChevronLeftIcon, ChevronRightIcon, LockClosedIcon } from '@heroicons/vue/20/solid'
import { useSwipe } from '@vueuse/core'
import { computed, ref, useTemplateRef, watch } from 'vue'
import type { Column } from '@/api/client'
import { useCard } from '@/card/card'
import { figure, nearness } from '@/lib/words'
import SwatchShape from '@/drawing/SwatchShape.vue'
import ColourMenu from '@/ui/ColourMenu.vue'
import OwnedCorner from '@/ui/OwnedCorner.vue'
import TheFigure from '@/ui/TheFigure.vue'
import { useShade } from '@/lib/screen'

/** The palette in one hand: a colour at a time with what is nearest in each medium; a swipe turns to the next. */
const emit = defineEmits<{ open: [row: number, column: number] }>()
const store = useCard()
const shade = useShade()
const card = computed(() => store.card!)
const at = ref(0)
const last = computed(() => card.value.colours.length - 1)
const row = computed(() => Math.min(at.value, last.value))
const colour = computed(() => card.value.colours[row.value]!)
const titles = computed(() => new Map(card.value.columns.map((one) => [one.key, one.title])))
// The strip below chooses too.
watch(
  () => store.lit,
  (key) => {
    const place = card.value.colours.findIndex((one) => one.key === key)
    if (place >= 0) at.value = place
  },
  { immediate: true },
)
function turn(by: number) {
  at.value = Math.min(Math.max(row.value + by, 0), last.value)
}
const sheet = useTemplateRef<HTMLElement>('sheet')
const { direction } = useSwipe(sheet, {
  onSwipeEnd: () => {
    if (direction.value === 'left') turn(1)
    if (direction.value === 'right') turn(-1)
  },
})
</script>

<template>
  <section
    ref="sheet"
    aria-label="One palette colour"
    aria-live="polite"
    class="touch-pan-y overscroll-x-none"
  >
    <div class="mb-2 flex items-stretch gap-1">
      <button type="button" class="button button-plain !px-1" :disabled="!row" @click="turn(-1)">
        <ChevronLeftIcon class="size-5" aria-hidden="true" />
        <span class="sr-only">The colour before</span>
      </button>
      <button
        type="button"
        class="panel flex min-w-0 flex-1 cursor-pointer items-center gap-3 overflow-hidden pr-3 text-left"
        @click="emit('open', row, 0)"
      >
        <span class="h-16 w-20 shrink-0" :style="{ background: shade(colour) }" />
        <span class="min-w-0 flex-1">
          <b class="block truncate text-base">{{ row + 1 }} {{ colour.name }}</b>
          <span class="block text-xs">{{ colour.role }}, {{ colour.hue_name }}</span>
          <span v-if="colour.lost" class="block text-xs">no longer in your supplies</span>
        </span>
        <span class="sr-only">, change it</span>
      </button>
      <button
        type="button"
        class="button button-plain !px-1"
        :disabled="row === last"
        @click="turn(1)"
      >
        <ChevronRightIcon class="size-5" aria-hidden="true" />
        <span class="sr-only">The next colour</span>
      </button>
    </div>
    <ul class="panel divide-y divide-line">
      <li v-for="(cell, n) in colour.cells" :key="cell.column" class="relative flex items-center">
        <button
          type="button"
          class="flex min-h-16 min-w-0 flex-1 cursor-pointer items-center gap-3 px-3 py-1.5 text-left"
          @click="emit('open', row, n + 1)"
        >
          <SwatchShape
            v-if="cell.match"
            :swatch="cell.match.swatch"
            :class="cell.hole && 'opacity-40'"
          />
          <span class="min-w-0 flex-1">
            <span class="block text-xs text-soft">{{ titles.get(cell.column as Column) }}</span>
            <template v-if="cell.match">
              <b class="block break-words">{{
                cell.hole ? 'Nothing near' : cell.match.swatch.label
              }}</b>
              <span class="block text-xs">
                <template v-if="cell.hole">{{ cell.match.swatch.label }} is </template
                ><template v-if="cell.match.swatch.id === colour.anchor?.id"
                  >the colour itself</template
                ><template v-else
                  >{{ nearness(cell.match) }} <TheFigure :text="figure(cell.match)"
                /></template>
              </span>
            </template>
            <template v-else>Nothing to choose from</template>
          </span>
          <LockClosedIcon v-if="cell.state === 'locked'" class="size-4" aria-label="locked" />
        </button>
        <ColourMenu
          v-if="cell.match"
          class="mr-4"
          compact
          :swatch="cell.match.swatch"
          @changed="store.refresh()"
        />
        <OwnedCorner v-if="cell.match" :swatch="cell.match.swatch" />
      </li>
    </ul>
  </section>
</template>
