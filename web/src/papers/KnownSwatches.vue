<script setup lang="ts">
import { computed } from 'vue'
import type { PaperReading } from '@/api/client'
import TheFigure from '@/ui/TheFigure.vue'

/** The swatches in a picture whose colours are known: which of them count, and what they are good for. */
const { known } = defineProps<{ known: PaperReading['known'] }>()
defineEmits<{ forget: [at: number]; leaveStrip: [] }>()
const ofStrip = computed(() => known.filter((one) => one.of_strip).length)
</script>

<template>
  <div>
    <p v-if="!known.length" class="text-xs text-soft">
      Six swatches of your own beside the paper, of unlike colours, laid once on white card, undo a
      lamp. Draw a frame on each and say which it is; or print a
      <RouterLink to="/papers/strip" class="underline">strip of them</RouterLink> that is found by
      itself.
    </p>
    <p v-if="ofStrip" class="mb-1 flex flex-wrap items-center gap-2 text-xs">
      <span
        >Your <RouterLink to="/papers/strip" class="underline">strip</RouterLink> was found by
        itself.</span
      >
      <button type="button" class="button button-plain !text-xs" @click="$emit('leaveStrip')">
        Do not go by it
      </button>
    </p>
    <ul v-if="known.length" class="space-y-1" aria-label="Known swatches">
      <li v-for="(one, at) in known" :key="at" class="flex items-center gap-2 text-xs">
        <span
          class="size-5 shrink-0 rounded-data"
          :style="{ background: one.swatch.shades.colour }"
        />
        <span class="min-w-0 flex-1"
          >{{ at + 1 }} {{ one.swatch.label }}<template v-if="!one.used">, not gone by</template>
          <TheFigure :text="`ΔE ${one.off} from what the others say`"
        /></span>
        <button
          v-if="!one.of_strip"
          type="button"
          class="button button-plain !text-xs"
          @click="$emit('forget', at - ofStrip)"
        >
          Forget<span class="sr-only"> the swatch {{ at + 1 }}</span>
        </button>
      </li>
    </ul>
  </div>
</template>
