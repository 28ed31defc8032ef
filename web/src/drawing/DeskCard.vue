<script setup lang="ts">
import { computed } from 'vue'
import type { Desk } from '@/api/client'
import DeskParts from './DeskParts.vue'
import { useSession } from '@/lib/session'

/** The card as it would look, in true proportion: its front, or opened. `lit` is the colour to show. */
const { desk, inside } = defineProps<{
  desk: Desk
  words: string
  lit?: number
  pieces?: ReadonlySet<number>
  inside?: boolean
}>()
const session = useSession()
// Opened, the half that is written on lies to the right, or below.
const aside = computed(() => desk.fold === 'at-the-side')
const off = computed(() => ({
  x: inside && aside.value ? desk.width : 0,
  y: inside && !aside.value ? desk.height : 0,
}))
</script>

<template>
  <svg
    :viewBox="`-1 -1 ${desk.width + off.x + 2} ${desk.height + off.y + 2}`"
    class="block h-full w-full"
    role="img"
    :aria-label="`The card “${words}” as planned${inside ? ', opened' : ''}`"
  >
    <template v-if="inside">
      <rect
        :width="desk.width"
        :height="desk.height"
        :fill="desk.inside[0]!.shades[session.view]"
        class="half"
      />
      <g :transform="`translate(${off.x} ${off.y})`">
        <DeskParts :desk="desk" :parts="desk.inside" :lit="lit" :pieces="pieces" />
        <slot />
      </g>
    </template>
    <template v-else>
      <DeskParts :desk="desk" :parts="desk.parts" :lit="lit" :pieces="pieces" />
      <slot />
    </template>
  </svg>
</template>

<style scoped>
.half {
  stroke: var(--line);
  stroke-width: 0.6;
}
</style>
