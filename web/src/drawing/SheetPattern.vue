<script setup lang="ts">
import { computed, inject, useId } from 'vue'
import type { Desk } from '@/api/client'
import { useSession } from '@/lib/session'
import { PATTERNS } from './patterns'

/** A piece that is cut out of a sheet: the sheet's picture at true scale, in the view that is on. */
type Part = Desk['parts'][number]
const { part, pattern } = defineProps<{
  part: Part
  pattern: NonNullable<Part['pattern']>
  lit?: boolean
}>()
const session = useSession()
const id = useId()
const outline = computed(
  () => part.path || `M${part.x} ${part.y}h${part.width}v${part.height}h${-part.width}Z`,
)
const brought = inject(PATTERNS, null)
const picture = computed(
  () =>
    brought?.value?.find((one) => one.sheet === pattern.sheet)?.pictures[session.view] ??
    `/api/papers/${pattern.sheet}/picture?view=${session.view}`,
)
const turn = computed(() => `translate(${pattern.x} ${pattern.y}) rotate(${pattern.turn})`)
const size = computed(() => ({ width: pattern.width, height: pattern.height }))
</script>

<template>
  <g>
    <template v-if="pattern.repeated">
      <pattern :id="id" v-bind="size" patternUnits="userSpaceOnUse" :patternTransform="turn">
        <image :href="picture" v-bind="size" preserveAspectRatio="none" />
      </pattern>
      <path :d="outline" fill-rule="evenodd" :fill="`url(#${id})`" />
    </template>
    <template v-else>
      <clipPath :id="id"><path :d="outline" clip-rule="evenodd" /></clipPath>
      <path :d="outline" fill-rule="evenodd" fill="#ffffff" />
      <g :clip-path="`url(#${id})`">
        <image :href="picture" v-bind="size" :transform="turn" preserveAspectRatio="none" />
      </g>
    </template>
    <path v-if="lit" :d="outline" class="lit" />
  </g>
</template>

<style scoped>
.lit {
  fill: none;
  stroke: var(--ink);
  stroke-width: 1.4;
  stroke-dasharray: 3 2;
}
</style>
