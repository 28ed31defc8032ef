<script setup lang="ts">
import { api, got, type WayOut } from '@/api/client'
import { useCard } from '@/card/card'
import { useFetched } from '@/lib/fetched'
import { inWords } from '@/lib/words'
import OwnedCorner from '@/ui/OwnedCorner.vue'
import JoinStrip from './JoinStrip.vue'
import { useGround } from './ground'

/** Ways out of a join, each with what it would give, taken with one press. */
const { at } = defineProps<{ at: number }>()
const store = useCard()
const { set } = useGround()
const { data: ways } = useFetched(
  () => [store.card?.version, at],
  () =>
    got(
      api.GET('/api/cards/{id}/ground/joins/{at}/ways', {
        params: { path: { id: store.card!.id, at }, query: { owned: true } },
      }),
    ),
)
const result = (way: WayOut) =>
  [
    ...new Set(way.joins.map((join) => (join.meeting ? inWords(join.meeting) : 'not predicted'))),
  ].join(', ')
</script>

<template>
  <p v-if="!ways" class="text-xs text-soft">Looking for ways out …</p>
  <p v-else-if="!ways.length" class="text-xs text-soft">Nothing known would be better here.</p>
  <ul v-else class="space-y-1">
    <li v-for="way in ways" :key="way.words">
      <button
        type="button"
        class="relative flex w-full cursor-pointer items-center gap-3 rounded-data border border-line bg-sheet py-1 pr-4 pl-1 text-left hover:border-ink"
        :disabled="store.busy"
        @click="set({ pads: way.pads })"
      >
        <span class="flex w-[150px] shrink-0">
          <JoinStrip v-for="(join, n) in way.joins" :key="n" :join="join" class="h-7 flex-1" />
        </span>
        <span class="min-w-0 flex-1">
          {{ way.words }}: <b>{{ result(way) }}</b>
          <span v-if="way.swatch" class="block truncate text-xs"
            >{{ way.swatch.range_name }}{{ way.swatch.owned ? ', in my drawer' : ', to buy' }}</span
          >
        </span>
        <OwnedCorner v-if="way.swatch" :swatch="way.swatch" />
      </button>
    </li>
  </ul>
</template>
