<script setup lang="ts">
import { ref } from 'vue'
import { api, got, type Asked, type Shades } from '@/api/client'
import { useFetched } from '@/lib/fetched'
import { useSession } from '@/lib/session'
import { figure, nearness, plural } from '@/lib/words'
import PairHalves from './PairHalves.vue'
import UseOnCard from './UseOnCard.vue'
import TheFigure from '@/ui/TheFigure.vue'
import ColourMenu from '@/ui/ColourMenu.vue'

/** What to use instead of a colour, from what one owns. */
const { id } = defineProps<{ id: number }>()
const session = useSession()
const { data, refresh } = useFetched(
  () => id,
  () => got(api.GET('/api/colours/{id}/instead', { params: { path: { id } } })),
)
/** What is to be taken on a card, and what that is called. */
const taking = ref<{ what: Asked; title: string } | null>(null)
function take(told: Partial<Asked>, words: string) {
  const title = `${words} for ${data.value!.swatch.label}`
  taking.value = { what: { old: id, under_layers: 1, layers: 1, instead: [], ...told }, title }
}
const shade = (shades: Shades) => shades[session.view]

function glazeWords(under: string, underLayers: number, over: string, overLayers: number) {
  return `${plural(underLayers, 'layer')} of ${under}, dry, then ${plural(overLayers, 'layer')} of ${over}`
}
</script>

<template>
  <p v-if="!data" class="text-soft">Looking through the drawer …</p>
  <div v-else class="max-w-[820px] space-y-6">
    <p>
      <template v-if="data.wanting">This one is {{ data.wanting }}.</template>
      <template v-else>This one is in your drawer; here is what could stand in for it.</template>
    </p>
    <section aria-labelledby="nearest-owned">
      <h2 id="nearest-owned" class="mb-2 text-base">The nearest you own</h2>
      <p v-if="!data.nearest.length" class="panel p-4">
        Nothing that does the same work is in your drawer, or it is dry.
      </p>
      <ul class="grid gap-1.5 sm:grid-cols-2">
        <li v-for="match in data.nearest" :key="match.swatch.id" class="panel flex gap-3 p-2">
          <PairHalves :first="shade(data.swatch.shades)" :second="shade(match.swatch.shades)" />
          <span class="min-w-0 text-xs">
            <RouterLink
              :to="`/match/${match.swatch.id}`"
              class="block text-sm font-semibold underline"
              >{{ match.swatch.label }}</RouterLink
            >
            <span class="block text-soft"
              >{{ match.swatch.range_name
              }}<template v-if="match.swatch.fullness === 'low'">, running low</template></span
            >
            <span class="block">{{ nearness(match) }}</span>
            <TheFigure class="block" :text="figure(match)" />
            <button
              type="button"
              class="underline"
              @click="take({ new: match.swatch.id }, match.swatch.label)"
            >
              Use it on a card …<span class="sr-only">, {{ match.swatch.label }}</span>
            </button>
          </span>
          <ColourMenu class="ml-auto" compact :swatch="match.swatch" @changed="refresh" />
        </li>
      </ul>
    </section>
    <section aria-labelledby="glaze">
      <h2 id="glaze" class="mb-2 text-base">Glaze two you own</h2>
      <p v-if="data.glaze_note" class="text-soft">{{ data.glaze_note }}</p>
      <ul class="space-y-1.5">
        <li
          v-for="glaze in data.glazes"
          :key="`${glaze.under.id} ${glaze.over.id}`"
          class="panel flex flex-wrap items-center gap-4 p-2"
        >
          <PairHalves predicted :first="shade(data.swatch.shades)" :second="shade(glaze.shades)" />
          <span class="min-w-56 flex-1 text-xs">
            <b class="block text-sm">{{
              glazeWords(
                `${glaze.under.range_name} ${glaze.under.label}`,
                glaze.under_layers,
                `${glaze.over.range_name} ${glaze.over.label}`,
                glaze.over_layers,
              )
            }}</b>
            <span class="block"
              >{{ nearness(glaze) }}: a prediction{{ glaze.unread ? ', read both first' : '' }}
              <TheFigure
                tip
                :text="`${figure(glaze)}; ΔE ${glaze.gain.toFixed(1)} nearer than the nearest single one`"
            /></span>
            <span class="block text-soft"
              >Nearer than the nearest single one. Try it on a scrap.</span
            >
            <button
              type="button"
              class="underline"
              @click="
                take(
                  {
                    under: glaze.under.id,
                    colour: glaze.over.id,
                    under_layers: glaze.under_layers,
                    layers: glaze.over_layers,
                  },
                  `${glaze.over.label} over ${glaze.under.label}`,
                )
              "
            >
              Glaze it on a card …
            </button>
          </span>
          <span class="flex h-10 w-24 shrink-0" aria-hidden="true">
            <span class="flex-1" :style="{ background: shade(glaze.under.shades) }" />
            <span class="flex-1" :style="{ background: shade(glaze.shades) }" />
            <span class="flex-1" :style="{ background: shade(glaze.over.shades) }" />
          </span>
        </li>
      </ul>
      <p v-if="data.glazes.length" class="mt-2 text-xs text-soft">
        Alcohol markers want fresh air and no flame or heat tool near; go by the product’s label.
      </p>
    </section>
    <section v-if="data.inked.length || data.ink_note" aria-labelledby="inked">
      <h2 id="inked" class="mb-2 text-base">Ink your own card</h2>
      <p v-if="data.ink_note" class="text-soft">{{ data.ink_note }}</p>
      <ul class="space-y-1.5">
        <li
          v-for="inked in data.inked"
          :key="inked.pad.id"
          class="panel flex flex-wrap items-center gap-4 p-2"
        >
          <PairHalves predicted :first="shade(data.swatch.shades)" :second="shade(inked.shades)" />
          <span class="min-w-56 flex-1 text-xs">
            <b class="block text-sm"
              >{{ inked.pad.range_name }} {{ inked.pad.label }} on {{ inked.card.range_name }}
              {{ inked.card.label }}, {{ inked.hand }} hand</b
            >
            <span class="block"
              >{{ nearness(inked) }}: a prediction <TheFigure tip :text="figure(inked)"
            /></span>
            <span class="block text-soft">{{
              inked.gain > 0
                ? 'Nearer than the nearest card you own.'
                : 'No nearer than the nearest card you own.'
            }}</span>
          </span>
        </li>
      </ul>
    </section>
    <UseOnCard v-if="taking" v-bind="taking" @close="taking = null" />
  </div>
</template>
