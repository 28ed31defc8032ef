<script setup lang="ts">
import { computed, ref } from 'vue'
import { api, got, type Asked, type Column } from '@/api/client'
import { useCard } from '@/card/card'
import { useAsked, useDrawer } from '@/lib/drawer'
import { useFetched } from '@/lib/fetched'
import { useSession } from '@/lib/session'
import { figure, inWords, nearness } from '@/lib/words'
import PairHalves from '@/match/PairHalves.vue'
import UseOnCard from '@/match/UseOnCard.vue'
import TheFigure from '@/ui/TheFigure.vue'

/** Nothing comes near in a medium: the ways out, where the hole is. */
const { colourKey, column } = defineProps<{ colourKey: number; column: Column }>()
const emit = defineEmits<{ take: [colour: number]; papers: []; leave: [] }>()
const store = useCard()
const session = useSession()
const list = useAsked()
list.ready()
const colour = computed(() => store.card!.colours.find((one) => one.key === colourKey)!)
const shade = computed(() => colour.value.shades[session.view])
const { data: ways, refresh } = useFetched([() => colourKey, () => column], () =>
  got(
    api.GET('/api/cards/{id}/hole', {
      params: { path: { id: store.card!.id }, query: { key: colourKey, column } },
    }),
  ),
)
const { want } = useDrawer(refresh)
const taking = ref<{ what: Asked; title: string } | null>(null)
const WAY = 'panel flex flex-wrap items-center gap-3 p-2'
</script>

<template>
  <section aria-labelledby="hole-ways" class="mb-4">
    <h3 id="hole-ways" class="mb-2 text-base">Nothing comes near. Ways out</h3>
    <p v-if="!ways" class="text-soft">Looking for ways out …</p>
    <ul v-else class="space-y-1.5">
      <li v-for="one in ways.inked" :key="one.pad.id" :class="WAY">
        <PairHalves predicted :first="shade" :second="one.shades[session.view]" />
        <p class="min-w-48 flex-1 text-xs">
          <b class="block text-sm">Ink your own: {{ one.pad.label }} on {{ one.card.label }}</b>
          {{ inWords(one.hand) }} hand, {{ nearness(one) }}: a prediction
          <TheFigure tip :text="figure(one)" />
        </p>
        <RouterLink class="button" :to="`/cards/${store.card!.id}/build`"
          >Ink a piece, under Build</RouterLink
        >
      </li>
      <li v-for="one in ways.glazes" :key="`${one.under.id} ${one.over.id}`" :class="WAY">
        <PairHalves predicted :first="shade" :second="one.shades[session.view]" />
        <p class="min-w-48 flex-1 text-xs">
          <b class="block text-sm"
            >Glaze two you own: {{ one.over.label }} over {{ one.under.label }}</b
          >
          {{ nearness(one) }}: a prediction{{ one.unread ? ', read both first' : '' }}
          <TheFigure tip :text="figure(one)" />
        </p>
        <button
          type="button"
          class="button"
          @click="
            taking = {
              what: {
                card: store.card!.id,
                wanting: colourKey,
                under: one.under.id,
                colour: one.over.id,
                under_layers: one.under_layers,
                layers: one.over_layers,
              },
              title: `${one.over.label} over ${one.under.label}`,
            }
          "
        >
          Glaze it on a card …
        </button>
      </li>
      <li v-if="ways.nearest" :class="WAY">
        <PairHalves :first="shade" :second="ways.nearest.swatch.shades[session.view]" />
        <p class="min-w-48 flex-1 text-xs">
          <b class="block text-sm">Accept {{ ways.nearest.swatch.label }}, which you own</b>
          {{ nearness(ways.nearest) }} <TheFigure tip :text="figure(ways.nearest)" />
        </p>
        <button type="button" class="button" @click="emit('take', ways.nearest.swatch.id)">
          Take it all the same
        </button>
      </li>
      <li v-if="ways.buy" :class="WAY">
        <PairHalves :first="shade" :second="ways.buy.swatch.shades[session.view]" />
        <p class="min-w-48 flex-1 text-xs">
          <b class="block text-sm"
            >Buy {{ ways.buy.swatch.range_name }} {{ ways.buy.swatch.label }}</b
          >
          {{ nearness(ways.buy) }} <TheFigure tip :text="figure(ways.buy)" />
          <span v-if="ways.example" class="block">a made-up example, in no shop</span>
        </p>
        <button
          type="button"
          class="button"
          :disabled="list.ids.has(ways.buy.swatch.id)"
          @click="want(ways.buy.swatch, true)"
        >
          {{ list.ids.has(ways.buy.swatch.id) ? 'On the shopping list' : 'To buy' }}
        </button>
      </li>
      <li class="flex flex-wrap gap-2 pt-1">
        <button v-if="column === 'paper'" type="button" class="button" @click="emit('papers')">
          Another paper that goes with the palette …
        </button>
        <button type="button" class="button" @click="emit('leave')">
          Leave it: not every medium is needed
        </button>
      </li>
    </ul>
    <UseOnCard v-if="taking" v-bind="taking" @close="taking = null" />
  </section>
</template>
