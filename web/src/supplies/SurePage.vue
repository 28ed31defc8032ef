<script setup lang="ts">
import { ArrowDownTrayIcon } from '@heroicons/vue/20/solid'
import { api, got, type Sureness, type WantedReading } from '@/api/client'
import { useFetched } from '@/lib/fetched'
import { plural } from '@/lib/words'
import OwnedCorner from '@/ui/OwnedCorner.vue'
import TheFigure from '@/ui/TheFigure.vue'
import WordTip from '@/words/WordTip.vue'
import SuppliesFrame from './SuppliesFrame.vue'

/** How sure predictions of each range are, by my own readings, and which readings would help most. */
const { data } = useFetched([], () => got(api.GET('/api/sureness')))
// What a σ means to who looks at a card, by the verdicts of the matches.
const words = (sigma: number) =>
  sigma <= 1
    ? 'as sure as a reading'
    : sigma <= 2.5
      ? 'mostly very near'
      : sigma <= 5
        ? 'mostly near'
        : 'a guess until something is read'
const known = (one: Sureness) => {
  if (!one.readings) return 'Nothing of it was read yet but single layers on white card'
  const of = `Known by ${plural(one.readings, 'reading')} of mine`
  if (one.after === null) return of
  return one.after < one.before! ? `${of}, nearer than before` : `${of}, as near as before`
}
const figures = (one: Sureness) =>
  one.after === null
    ? `± ${one.sigma.toFixed(1)}`
    : `± ${one.sigma.toFixed(1)}; predictions were ΔE ${one.before!.toFixed(1)} off my readings, now ${one.after.toFixed(1)}`
const to = (wanted: WantedReading) => ({
  path: `/match/${wanted.swatch.id}`,
  query: { tab: 'readings', layers: wanted.layers, hand: wanted.hand, on: wanted.paper?.id },
})
</script>

<template>
  <SuppliesFrame>
    <template #actions>
      <a class="button" href="/api/sureness/sheet?sheet=letter" download>
        <ArrowDownTrayIcon class="size-4" aria-hidden="true" />Sheet to lay them on, Letter
      </a>
      <a class="button" href="/api/sureness/sheet?sheet=a4" download>A4</a>
    </template>
    <p v-if="!data" class="text-soft">Looking at what was read …</p>
    <p v-else-if="!data.length" class="panel max-w-xl p-6">
      Own some markers, pads or pencils, or lay them on a card: then it stands here how sure their
      predictions are.
    </p>
    <template v-else>
      <p class="mb-4 max-w-[860px] text-soft">
        Colours laid more than once, or on other card than white, are predictions. A few swatches of
        your own make them surer; what was read of a colour holds for it at once.<WordTip
          word="prediction"
        />
      </p>
      <section
        v-for="one in data"
        :key="one.range_id"
        class="panel mb-3 max-w-[860px] p-4"
        :aria-labelledby="`sure-${one.range_id}`"
      >
        <div class="mb-2 flex flex-wrap items-baseline gap-x-4">
          <h2 :id="`sure-${one.range_id}`" class="text-base">
            <RouterLink :to="`/supplies/${one.range_id}`" class="underline">{{
              one.name
            }}</RouterLink>
          </h2>
          <span class="text-xs text-soft">{{ one.medium }}</span>
          <span class="ml-auto"
            ><b>{{ words(one.sigma) }}</b> <TheFigure tip :text="figures(one)"
          /></span>
        </div>
        <p class="mb-3 text-xs">
          {{ known(one) }}.
          {{
            one.made
              ? `Judged by ${plural(one.made, 'way')} of laying it on my cards.`
              : 'No card of mine lays it otherwise, so the usual ways are judged.'
          }}
        </p>
        <h3 v-if="one.wanted.length" class="label">Would help most, one after the other</h3>
        <ol class="grid gap-1 sm:grid-cols-2">
          <li v-for="(wanted, n) in one.wanted" :key="n">
            <RouterLink
              :to="to(wanted)"
              class="flex items-center gap-3 rounded-data border border-line px-2 py-1.5 hover:border-edge"
            >
              <span class="w-4 text-center font-title">{{ n + 1 }}</span>
              <span
                class="relative size-8 shrink-0 border border-line"
                :style="{ background: wanted.swatch.shades.colour }"
                ><OwnedCorner :swatch="wanted.swatch"
              /></span>
              <span class="min-w-0 flex-1">
                <b class="block truncate">{{ wanted.swatch.label }}</b>
                <span class="block truncate text-xs">{{ wanted.words }}</span>
              </span>
              <span class="text-right text-xs text-soft"
                >then {{ words(wanted.sigma)
                }}<TheFigure class="block" :text="`± ${wanted.sigma.toFixed(1)}`"
              /></span>
            </RouterLink>
          </li>
        </ol>
      </section>
    </template>
  </SuppliesFrame>
</template>
