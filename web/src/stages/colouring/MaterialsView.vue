<script setup lang="ts">
import { computed } from 'vue'
import type { Colouring } from '@/api/client'
import { surfaceValues } from '@/api/schema'
import CheckItem from '@/card/CheckItem.vue'
import { plural } from '@/lib/words'
import ChoiceList from '@/ui/ChoiceList.vue'
import OnOff from '@/ui/OnOff.vue'
import PicturePaper from './PicturePaper.vue'
import { usePicture } from './picture'

/** Line ink, media, paper and finish: what will not get on, why, and the ways out. */
const { colouring } = defineProps<{ colouring: Colouring }>()
const { store, picture, set } = usePicture()
const conflicts = computed(() =>
  store.card!.checks.filter((one) => one.kind === 'conflict' && one.picture === picture.value.key),
)
const lines = computed(() => [
  { value: '', words: 'no line' },
  ...colouring.lines.map((one) => ({ value: one.key, words: one.words })),
  ...colouring.line_ranges.map((one) => ({ value: `range ${one.id}`, words: one.name })),
])
const line = computed({
  get: () => (picture.value.line_range ? `range ${picture.value.line_range}` : picture.value.line),
  set: (value) => {
    const range = value.startsWith('range ') ? Number(value.slice(6)) : null
    const told = range ? { line_range: range } : { line_range: null, line: value as 'dye' | '' }
    void set(told)
  },
})
const SURFACES = [
  { value: '', words: 'as it usually is' },
  ...surfaceValues.map((value) => ({ value, words: value })),
]
const surface = computed({
  get: () => (picture.value.surface_said ? picture.value.surface : ''),
  set: (value) => void set({ surface: value as (typeof surfaceValues)[number] }),
})
const media = computed(() =>
  [...new Set(picture.value.areas.map((area) => area.medium))].join(', '),
)
function finish(key: string, on: boolean) {
  const rest = picture.value.finishes.filter((one) => one !== key)
  const finishes = (on ? [...rest, key] : rest) as 'gloss'[]
  return set({ finishes })
}
</script>

<template>
  <div class="grid max-w-[880px] gap-5 md:grid-cols-[280px_1fr]">
    <div class="space-y-4">
      <div>
        <span class="label">The line</span>
        <ChoiceList v-model="line" label="The line" :options="lines" />
      </div>
      <div>
        <span class="label">The paper</span>
        <PicturePaper />
        <ChoiceList v-model="surface" label="What kind of paper" class="mt-2" :options="SURFACES" />
        <p class="mt-1 text-xs text-soft">
          {{ picture.surface }}, takes {{ plural(picture.wet_layers, 'wet layer') }} with ease.
          <template v-if="picture.wet_strokes"
            >Going back and forth counts: here up to {{ picture.wet_strokes }}, one over the
            other.</template
          >
        </p>
      </div>
      <div>
        <span class="label">Coloured with</span>
        <p>{{ media || 'nothing yet: there are no areas' }}</p>
      </div>
      <fieldset>
        <legend class="label">What comes over it</legend>
        <OnOff
          v-for="one in colouring.all_finishes"
          :key="one.key"
          class="mb-1.5"
          :model-value="picture.finishes.includes(one.key)"
          @update:model-value="finish(one.key, $event)"
          >{{ one.words }}</OnOff
        >
      </fieldset>
    </div>
    <div>
      <section aria-labelledby="conflicts">
        <h2 id="conflicts" class="mb-2 text-base">What will not get on</h2>
        <p v-if="!conflicts.length" class="panel p-4">
          Nothing that is known of these materials speaks against them. A test on a scrap of the
          same says more than any rule.
        </p>
        <ul class="space-y-3">
          <li v-for="one in conflicts" :key="one.id" class="panel p-4">
            <CheckItem :check="one" />
          </li>
        </ul>
      </section>
      <section v-if="picture.cautions.length" aria-labelledby="care" class="mt-5">
        <h2 id="care" class="mb-2 text-base">Take care</h2>
        <ul class="space-y-1.5">
          <li v-for="words in picture.cautions" :key="words">{{ words }}</li>
          <li class="text-soft">
            The product’s label and safety sheet go before what stands here.
          </li>
        </ul>
      </section>
    </div>
  </div>
</template>
