<script setup lang="ts">
import { computed } from 'vue'
import type { Pair } from '@/api/client'
import { useSession } from '@/lib/session'

/** The two colours as they lie: words on a strip, a shape on a ground, a frame, a pattern. */
const { pair } = defineProps<{ pair: Pair }>()
const session = useSession()
const upper = computed(() => pair.upper.shades[session.view])
const lower = computed(() => pair.lower.shades[session.view])
const dots = Array.from({ length: 24 }, (_, n) => ({
  x: 8 + (n % 8) * 15 + (Math.floor(n / 8) % 2) * 7,
  y: 12 + Math.floor(n / 8) * 20,
}))
</script>

<template>
  <svg viewBox="0 0 132 64" class="h-[64px] w-[132px] shrink-0" aria-hidden="true">
    <rect width="132" height="64" :fill="pair.kind === 'mat' ? upper : lower" />
    <rect v-if="pair.kind === 'mat'" x="6" y="6" width="120" height="52" :fill="lower" />
    <text
      v-if="pair.kind === 'small-lettering'"
      x="66"
      y="37"
      font-size="15"
      text-anchor="middle"
      :fill="upper"
    >
      with love, always
    </text>
    <text
      v-if="pair.kind === 'large-lettering'"
      x="66"
      y="43"
      font-size="34"
      font-weight="700"
      text-anchor="middle"
      class="font-title"
      :fill="upper"
    >
      hello
    </text>
    <g v-if="pair.kind === 'picture'" :fill="upper">
      <circle
        cx="58"
        cy="34"
        r="22"
        :stroke="pair.outlined ? '#ffffff' : 'none'"
        stroke-width="3"
      />
      <circle
        cx="88"
        cy="24"
        r="12"
        :stroke="pair.outlined ? '#ffffff' : 'none'"
        stroke-width="3"
      />
    </g>
    <g v-if="pair.kind === 'quiet-pattern'" :fill="upper">
      <circle v-for="dot in dots" :key="`${dot.x} ${dot.y}`" :cx="dot.x" :cy="dot.y" r="3.5" />
    </g>
  </svg>
</template>
