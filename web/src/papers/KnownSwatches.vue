<script setup lang="ts">
import type { PaperReading } from '@/api/client'
import TheFigure from '@/ui/TheFigure.vue'

/** The swatches in a picture whose colours are known: which of them count, and what they are good for. */
defineProps<{ known: PaperReading['known'] }>()
defineEmits<{ forget: [at: number] }>()
</script>

<template>
  <p v-if="!known.length" class="text-xs text-soft">
    Six swatches of your own beside the paper, of unlike colours, laid once on white card, undo a
    lamp. Draw a frame on each and say which it is.
  </p>
  <ul v-else class="space-y-1" aria-label="Known swatches">
    <li v-for="(one, at) in known" :key="at" class="flex items-center gap-2 text-xs">
      <span
        class="size-5 shrink-0 rounded-data"
        :style="{ background: one.swatch.shades.colour }"
      />
      <span class="min-w-0 flex-1"
        >{{ at + 1 }} {{ one.swatch.label }}<template v-if="!one.used">, not gone by</template>
        <TheFigure :text="`ΔE ${one.off} from what the others say`"
      /></span>
      <button type="button" class="button button-plain !text-xs" @click="$emit('forget', at)">
        Forget<span class="sr-only"> the swatch {{ at + 1 }}</span>
      </button>
    </li>
  </ul>
</template>
