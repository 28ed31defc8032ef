<script setup lang="ts">
import { computed, ref } from 'vue'
import { api, got, type Build } from '@/api/client'
import { useCard } from '@/cards/card'
import { useFetched } from '@/lib/fetched'
import { useSession } from '@/lib/session'
import { percent, plural } from '@/lib/words'
import ChoiceList from '@/ui/ChoiceList.vue'

/** What is cut out of which sheet, for one card or a set of them. */
const { build } = defineProps<{ build: Build }>()
const store = useCard()
const session = useSession()
const sheet = ref(build.sheets.findIndex((one) => one.unit === store.card!.size.unit))
const count = ref(1)
const options = build.sheets.map((one, value) => ({ value, words: one.words }))
const { data: cutting, problem } = useFetched(
  () => [store.card?.version, sheet.value, count.value],
  () => {
    const { width, height, unit } = build.sheets[sheet.value]!
    return got(
      api.GET('/api/cards/{id}/build/cutting', {
        params: {
          path: { id: store.card!.id },
          query: { width, height, unit, count: count.value },
        },
      }),
    )
  },
)
const printed = computed(() => {
  const { width, height, unit } = build.sheets[sheet.value]!
  const asked = new URLSearchParams({ width, height, unit, count: String(count.value) })
  return `/api/cards/${store.card!.id}/build/cutting/sheet?${asked}`
})
const sheets = computed(() => cutting.value?.sheets ?? [])
</script>

<template>
  <section aria-label="Cutting">
    <div class="mb-4 flex flex-wrap items-end gap-3">
      <div class="w-56">
        <span class="label">Sheets</span>
        <ChoiceList v-model="sheet" label="Sheets" :options="options" />
      </div>
      <div class="w-28">
        <label class="label" for="cards">Cards</label>
        <input id="cards" v-model.lazy.number="count" type="number" min="1" class="input" />
      </div>
      <p v-if="cutting" class="pb-2">
        {{ plural(sheets.length, 'sheet') }}, each cut right across with a trimmer
      </p>
    </div>
    <div v-if="cutting" class="mb-5 flex flex-wrap items-start gap-x-10 gap-y-3">
      <table class="text-left">
        <thead>
          <tr class="text-xs text-soft">
            <th class="pr-6 font-semibold">Piece</th>
            <th class="pr-6 font-semibold">Size</th>
            <th class="pr-6 font-semibold">Count</th>
            <th class="font-semibold">Of</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="(one, n) in cutting.pieces" :key="n">
            <td class="max-w-56 truncate pr-6">{{ one.name }}</td>
            <td class="pr-6">{{ one.size }}</td>
            <td class="pr-6">{{ one.count }}</td>
            <td>{{ one.material }}</td>
          </tr>
        </tbody>
      </table>
      <div class="max-w-72 space-y-2">
        <a class="button" :href="printed">Print it in true size</a>
        <p v-for="one in cutting.middles" :key="one.name" class="text-xs">
          The middle of {{ one.name }} is hidden: {{ one.size }} can be cut out of it for smaller
          pieces.
        </p>
        <p class="text-xs text-soft">
          Cut away from your hand, along a metal ruler or with the trimmer’s guard down; cap the
          blade.
        </p>
      </div>
    </div>
    <p v-if="problem" role="alert" class="border-l-2 border-ink pl-3">{{ problem }}</p>
    <ol class="grid grid-cols-[repeat(auto-fill,minmax(210px,1fr))] gap-4">
      <li v-for="(one, n) in sheets" :key="n">
        <p class="mb-1 text-xs">
          <b>{{ n + 1 }} {{ one.material.words }}</b
          >, {{ percent(one.used) }} used
        </p>
        <svg
          :viewBox="`-1 -1 ${one.width + 2} ${one.height + 2}`"
          class="block w-full"
          role="img"
          :aria-label="`Sheet ${n + 1}: ${one.cuts.map((cut) => cut.name).join(', ')}`"
        >
          <rect :width="one.width" :height="one.height" class="sheet" />
          <g v-for="(cut, at) in one.cuts" :key="at">
            <rect
              :x="cut.x"
              :y="cut.y"
              :width="cut.width"
              :height="cut.height"
              :fill="one.material.shades[session.view]"
              class="cut"
            />
            <text
              v-if="cut.width > 24 && cut.height > 9"
              :x="cut.x + cut.width / 2"
              :y="cut.y + cut.height / 2"
              text-anchor="middle"
              dominant-baseline="central"
              class="name"
              font-size="9"
            >
              {{ cut.name.length > 14 ? cut.name.slice(0, 13) + '…' : cut.name }}
            </text>
          </g>
        </svg>
      </li>
    </ol>
  </section>
</template>

<style scoped>
.sheet {
  fill: var(--sheet);
  stroke: var(--edge);
  stroke-width: 0.6;
}
.cut {
  stroke: var(--ink);
  stroke-width: 0.8;
}
/* Readable on any colour: dark letters with a light rim. */
.name {
  fill: #000000;
  stroke: #ffffff;
  stroke-width: 2;
  paint-order: stroke;
}
</style>
