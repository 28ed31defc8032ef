<script setup lang="ts">
import { computed, useId } from 'vue'
import type { Picture } from '@/api/client'
import { useSession } from '@/lib/session'

/** A line drawing coloured as predicted: each shape runs from light to shadow through its tones. */
const { picture, mirrored } = defineProps<{
  picture: Picture
  lit?: number
  chosen?: Set<number>
  mirrored?: boolean
}>()
const emit = defineEmits<{ pick: [area: number, more: boolean] }>()
const session = useSession()
const id = useId()

// From the light to the shadow, across the box of each shape.
const way = computed(() => {
  // The light stays where it is when a picture is turned over.
  const [across = 0, y = 0] = picture.away ?? []
  const x = mirrored ? -across : across
  return { x1: 0.5 - x / 2, y1: 0.5 - y / 2, x2: 0.5 + x / 2, y2: 0.5 + y / 2 }
})
type Shape = Picture['shapes'][number]
function fill(shape: Shape, n: number): string {
  if (!shape.stops.length) return picture.stamped ? 'none' : picture.paper[session.view]
  return shape.stops.length === 1 ? shape.stops[0]!.shades[session.view] : `url(#${id}-${n})`
}
</script>

<template>
  <g :transform="mirrored ? `translate(${picture.width} 0) scale(-1 1)` : undefined">
    <defs>
      <template v-for="(shape, n) in picture.shapes" :key="n">
        <component
          :is="picture.away ? 'linearGradient' : 'radialGradient'"
          v-if="shape.stops.length > 1"
          :id="`${id}-${n}`"
          v-bind="picture.away ? way : { cx: 0.5, cy: 0.5, r: 0.62 }"
        >
          <stop
            v-for="(stop, at) in shape.stops"
            :key="at"
            :offset="stop.at"
            :stop-color="stop.shades[session.view]"
          />
        </component>
      </template>
    </defs>
    <g :stroke-width="picture.width * 0.0035" stroke-linejoin="round" fill-rule="evenodd">
      <path
        v-for="(shape, n) in picture.shapes"
        :key="n"
        :d="shape.path"
        :fill="fill(shape, n)"
        :class="{ line: picture.outlined }"
        :data-area="shape.key"
        @click="emit('pick', shape.key, $event.shiftKey || $event.ctrlKey || $event.metaKey)"
      />
      <path
        v-for="(line, n) in picture.outlined ? picture.lines : []"
        :key="`line ${n}`"
        :d="line"
        fill="none"
        class="line"
      />
      <template v-for="(shape, n) in picture.shapes" :key="`lit ${n}`">
        <path
          v-if="(lit && shape.colour === lit) || chosen?.has(shape.key)"
          :d="shape.path"
          fill="none"
          class="lit"
          :stroke-width="picture.width * 0.009"
          :stroke-dasharray="`${picture.width * 0.02} ${picture.width * 0.013}`"
        />
      </template>
    </g>
  </g>
</template>

<style scoped>
.line {
  stroke: #1b1b1b;
}
.lit {
  stroke: var(--ink);
  pointer-events: none;
}
</style>
