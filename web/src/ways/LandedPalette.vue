<script setup lang="ts">
import type { LandedColour, Reason } from '@/api/client'
import { useSession } from '@/lib/session'
import { figure, nearness } from '@/lib/words'
import ColourMenu from '@/ui/ColourMenu.vue'
import OwnedCorner from '@/ui/OwnedCorner.vue'
import PlainWords from '@/ui/PlainWords.vue'

/** A palette on supplies: what was asked for above, what it landed on below, and what speaks for it. */
defineProps<{
  title: string
  about?: string
  colours: LandedColour[]
  reasons?: Reason[]
}>()
defineEmits<{ changed: [] }>()
const session = useSession()
</script>

<template>
  <article class="panel overflow-hidden">
    <header class="flex flex-wrap items-center gap-x-4 gap-y-2 px-4 py-2.5">
      <h2 class="text-base">{{ title }}</h2>
      <p v-if="about" class="min-w-0 flex-1 text-xs text-soft">{{ about }}</p>
      <span v-else class="flex-1" />
      <span class="flex flex-wrap gap-2"><slot /></span>
    </header>
    <ul class="grid grid-cols-[repeat(auto-fit,minmax(112px,1fr))]">
      <li v-for="(colour, at) in colours" :key="at" class="min-w-0">
        <div
          class="h-4"
          :style="{ background: colour.wanted[session.view] }"
          :title="`asked for: L*a*b* ${colour.lab.join(', ')}`"
        />
        <div
          class="relative h-14"
          :style="{
            background: (colour.match ? colour.match.swatch.shades : colour.wanted)[session.view],
          }"
        >
          <OwnedCorner v-if="colour.match" :swatch="colour.match.swatch" />
        </div>
        <div class="px-3 py-2">
          <template v-if="colour.match">
            <RouterLink
              :to="`/match/${colour.match.swatch.id}`"
              class="block truncate font-semibold underline"
              :title="`${colour.match.swatch.range_name} ${colour.match.swatch.label}`"
              >{{ colour.match.swatch.label }}</RouterLink
            >
            <span class="flex flex-wrap items-center justify-between gap-x-1 text-xs">
              <span class="min-w-16 flex-1 truncate">{{ colour.match.swatch.range_name }}</span>
              <ColourMenu :swatch="colour.match.swatch" @changed="$emit('changed')" />
            </span>
            <span class="block text-xs text-soft" :title="figure(colour.match)">{{
              nearness(colour.match)
            }}</span>
          </template>
          <span v-else class="text-xs text-soft">nothing to land on</span>
          <span class="block truncate text-xs">{{ colour.name }}, {{ colour.role }}</span>
        </div>
      </li>
    </ul>
    <ul
      v-if="reasons"
      class="flex flex-wrap gap-x-5 gap-y-1 border-t border-line px-4 py-2 text-xs"
    >
      <li
        v-for="reason in reasons"
        :key="reason.words"
        class="flex items-center gap-2"
        :class="!reason.holds && 'font-semibold'"
      >
        <span
          class="size-2.5 shrink-0 rounded-full border border-ink"
          :class="reason.holds && 'bg-ink'"
          aria-hidden="true"
        />
        <span class="sr-only">{{ reason.holds ? 'Holds: ' : 'Does not hold: ' }}</span>
        <PlainWords :text="reason.words" />
      </li>
    </ul>
  </article>
</template>
