<script setup lang="ts">
import { computed, ref } from 'vue'
import { api, got, type Swatch, type WholeRange } from '@/api/client'
import { useFetched } from '@/lib/fetched'
import { useSession } from '@/lib/session'
import TheFigure from '@/ui/TheFigure.vue'

/** The range by hue and lightness, with its gaps; a press on a dot puts it into the drawer or takes it out. */
const { range } = defineProps<{ range: WholeRange }>()
const emit = defineEmits<{ own: [swatches: Swatch[], owned: boolean] }>()
const session = useSession()
const { data: chart } = useFetched(
  () => range, // a dot that was pressed is shown as it is now
  () => got(api.GET('/api/ranges/{id}/dots', { params: { path: { id: range.id } } })),
)
// The chart in its own units: neutrals in a column at the left, then hues 0–360; L* upwards.
const NEUTRAL = 44
const WIDE = 800
const HIGH = 400
const LEAST_L = 10
const pointed = ref<Swatch | null>(null)

const x = (hue: number | null) =>
  hue === null ? NEUTRAL / 2 : NEUTRAL + (hue / 360) * (WIDE - NEUTRAL)
const y = (lightness: number) =>
  HIGH - ((Math.max(lightness, LEAST_L) - LEAST_L) / (100 - LEAST_L)) * HIGH
const dots = computed(() =>
  (chart.value?.dots ?? []).map(({ swatch, hue, lightness }) => ({
    swatch,
    x: x(hue),
    y: y(lightness),
  })),
)
const gaps = computed(() => chart.value?.gaps ?? [])
const fields = computed(() =>
  gaps.value.map((gap) => ({
    x: x(gap.hue[0]!),
    y: y(gap.lightness[1]!),
    width: ((gap.hue[1]! - gap.hue[0]!) / 360) * (WIDE - NEUTRAL),
    height: y(gap.lightness[0]!) - y(gap.lightness[1]!),
  })),
)
const wanting = computed(() => [...new Set(gaps.value.map((gap) => gap.words))])
const HUES = [
  [20, 'red'],
  [60, 'orange'],
  [95, 'yellow'],
  [145, 'green'],
  [195, 'blue-green'],
  [255, 'blue'],
  [305, 'violet'],
  [345, 'pink'],
] as const

function toggle(swatch: Swatch) {
  emit('own', [swatch], !swatch.owned)
}
</script>

<template>
  <div class="grid gap-6 xl:grid-cols-[minmax(0,1fr)_240px]">
    <div>
      <svg
        :viewBox="`-34 -8 ${WIDE + 44} ${HIGH + 34}`"
        class="w-full"
        role="group"
        :aria-label="`Chart of ${range.name}: hue across, lightness upwards`"
      >
        <rect v-for="(field, n) in fields" :key="n" v-bind="field" class="gap" aria-hidden="true" />
        <line :x1="NEUTRAL" y1="0" :x2="NEUTRAL" :y2="HIGH" class="axis" />
        <line x1="0" :y1="HIGH" :x2="WIDE" :y2="HIGH" class="axis" />
        <text
          v-for="level in [20, 40, 60, 80]"
          :key="level"
          x="-6"
          :y="y(level) + 4"
          class="label-l"
        >
          {{ level }}
        </text>
        <text x="-6" y="6" class="label-l">L*</text>
        <text :x="NEUTRAL / 2" :y="HIGH + 18" class="label-h">grey</text>
        <text v-for="[hue, words] in HUES" :key="hue" :x="x(hue)" :y="HIGH + 18" class="label-h">
          {{ words }}
        </text>
        <circle
          v-for="dot in dots"
          :key="dot.swatch.id"
          :cx="dot.x"
          :cy="dot.y"
          r="8"
          :fill="dot.swatch.shades[session.view]"
          class="dot"
          :class="{ mine: dot.swatch.owned, gone: dot.swatch.discontinued }"
          role="checkbox"
          tabindex="0"
          :aria-checked="dot.swatch.owned"
          :aria-label="`${dot.swatch.label}, ${dot.swatch.hue_name}, in my drawer`"
          @focus="pointed = dot.swatch"
          @mouseenter="pointed = dot.swatch"
          @click="toggle(dot.swatch)"
          @keydown.enter.prevent="toggle(dot.swatch)"
          @keydown.space.prevent="toggle(dot.swatch)"
        />
      </svg>
      <p class="mt-1 min-h-10 text-xs" aria-live="polite">
        <template v-if="pointed">
          <b>{{ pointed.label }}</b> {{ pointed.code ? pointed.name : '' }}, {{ pointed.hue_name }},
          {{ pointed.owned ? 'mine' : 'not mine' }}.
          <TheFigure :text="`L*a*b* ${pointed.lab.join(', ')}`" />
        </template>
        <template v-else>Point at a dot to see which it is.</template>
        {{
          dots.length && dots.length < range.count
            ? `Shown are ${dots.length.toLocaleString('en')} of ${range.count.toLocaleString('en')}, from everywhere in the range.`
            : ''
        }}
        A ring is what I own; a press puts one into the drawer or takes it out.
      </p>
    </div>
    <section aria-labelledby="gaps">
      <h2 id="gaps" class="mb-2 text-base">Its gaps</h2>
      <p v-if="chart && !wanting.length">No field of the chart is empty.</p>
      <template v-else-if="chart">
        <p class="mb-2 text-xs text-soft">
          Dashed fields: no colour of middling strength stands there, though one could.
        </p>
        <ul class="list-disc pl-5">
          <li v-for="words in wanting" :key="words">{{ words }}</li>
        </ul>
      </template>
      <p v-if="range.fit" class="mt-5 text-xs">
        <b>How it behaves,</b> by {{ range.fit.readings }} of my readings:
        {{
          range.fit.after === null
            ? 'with another one it can be said how much nearer predictions come.'
            : range.fit.after < range.fit.before
              ? 'predictions are fitted to them and come nearer.'
              : 'the usual habits were as near, so little was changed.'
        }}
        <TheFigure
          tip
          :text="`predictions were ΔE ${range.fit.before.toFixed(1)} off on average${range.fit.after === null ? '' : `, now ${range.fit.after.toFixed(1)}`}`"
        />
      </p>
    </section>
  </div>
</template>

<style scoped>
.gap {
  fill: var(--wall);
  stroke: var(--edge);
  stroke-width: 0.7;
  stroke-dasharray: 3 3;
}
.axis {
  stroke: var(--edge);
  stroke-width: 1;
}
.label-l,
.label-h {
  fill: var(--ink);
  font-size: 12px;
}
.label-l {
  text-anchor: end;
}
.label-h {
  text-anchor: middle;
}
.dot {
  stroke: var(--edge);
  stroke-width: 0.8;
  cursor: pointer;
}
.dot.mine {
  stroke: var(--ink);
  stroke-width: 3;
}
.dot.gone {
  stroke-dasharray: 3 2;
}
</style>
