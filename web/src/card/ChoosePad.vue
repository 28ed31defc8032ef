<script setup lang="ts">
import { computed } from 'vue'
import { api, got, type Swatch } from '@/api/client'
import { useCard } from './card'
import { useFetched } from '@/lib/fetched'
import { useSession } from '@/lib/session'
import { figure, nearness } from '@/lib/words'
import AppDialog from '@/ui/AppDialog.vue'
import FindColour, { type Picked } from '@/ui/FindColour.vue'
import OwnedCorner from '@/ui/OwnedCorner.vue'
import SwatchShape from '@/drawing/SwatchShape.vue'

/** A pad: one that comes near a palette colour, one of the drawer, or any by its code. */
defineProps<{ title: string }>()
const emit = defineEmits<{ take: [colour: number]; close: [] }>()
const store = useCard()
const session = useSession()
const palette = computed(() =>
  store.card!.colours.flatMap((colour) => {
    const match = colour.cells.find((cell) => cell.column === 'pad')?.match
    return match ? [{ colour, match }] : []
  }),
)
const { data: drawer } = useFetched([], () => got(api.GET('/api/drawer')))
const isPad = (swatch: Swatch) => swatch.form === 'dab'
const owned = computed(() => drawer.value?.entries.map((entry) => entry.swatch).filter(isPad) ?? [])
function pick(picked: Picked) {
  if ('swatch' in picked) emit('take', picked.swatch.id)
}
</script>

<template>
  <AppDialog :title="title" wide @close="$emit('close')">
    <div class="grid gap-5 md:grid-cols-2">
      <div class="space-y-5">
        <section v-if="palette.length" aria-labelledby="of-palette">
          <h3 id="of-palette" class="mb-2 text-sm">Near the palette</h3>
          <ul class="space-y-1">
            <li v-for="{ colour, match } in palette" :key="colour.key">
              <button
                type="button"
                class="relative flex w-full cursor-pointer items-center gap-2 rounded-data border border-line bg-sheet pr-4 text-left text-xs hover:border-ink"
                :title="figure(match)"
                @click="$emit('take', match.swatch.id)"
              >
                <span class="flex w-14 shrink-0 self-stretch">
                  <span class="flex-1" :style="{ background: colour.shades[session.view] }" />
                  <span class="flex-1" :style="{ background: match.swatch.shades[session.view] }" />
                </span>
                <span class="min-w-0 flex-1 py-1">
                  <b class="block truncate text-sm">{{ match.swatch.label }}</b>
                  <span class="block truncate">{{ colour.name }}: {{ nearness(match) }}</span>
                </span>
                <OwnedCorner :swatch="match.swatch" />
              </button>
            </li>
          </ul>
        </section>
        <section aria-labelledby="of-drawer">
          <h3 id="of-drawer" class="mb-2 text-sm">In my drawer</h3>
          <p v-if="drawer && !owned.length" class="text-soft">No pads are in the drawer yet.</p>
          <ul class="grid max-h-60 grid-cols-2 gap-1 overflow-y-auto">
            <li v-for="swatch in owned" :key="swatch.id">
              <button
                type="button"
                class="flex w-full cursor-pointer items-center gap-2 rounded-data border border-line bg-sheet text-left text-xs hover:border-ink"
                @click="$emit('take', swatch.id)"
              >
                <SwatchShape :swatch="swatch" />
                <span class="min-w-0 flex-1 truncate">{{ swatch.label }}</span>
              </button>
            </li>
          </ul>
        </section>
      </div>
      <section aria-labelledby="of-all">
        <h3 id="of-all" class="mb-2 text-sm">Any pad</h3>
        <FindColour column="pad" act="take it" @pick="pick" @leave="$emit('close')" />
      </section>
    </div>
  </AppDialog>
</template>
