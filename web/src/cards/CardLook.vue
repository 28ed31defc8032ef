<script setup lang="ts">
import { onMounted, useTemplateRef } from 'vue'
import { api, form, got, type CardSummary, type DrawingToMake } from '@/api/client'
import DeskCard from '@/drawing/DeskCard.vue'
import { useSession } from '@/lib/session'
import { asPicture } from '@/lib/takeAlong'

/** A card in the list: its small picture or, while there is none, its drawing, of which one is made. */
const { card, drawing } = defineProps<{ card: CardSummary; drawing?: DrawingToMake }>()
const emit = defineEmits<{ kept: [address: string] }>()
const session = useSession()
const drawn = useTemplateRef<HTMLElement>('drawn')
const LONGEST = 600 // pixels: twice of what is shown

onMounted(async () => {
  const svg = drawn.value?.querySelector('svg')
  // Other views are of the moment; the list is in colour.
  if (!drawing || !svg || session.view !== 'colour') return
  const { width, height } = drawing.desk
  try {
    const scale = LONGEST / Math.max(width, height)
    const file = await asPicture(svg, [width, height], scale, 'image/webp')
    const body = form('/api/cards/{id}/picture', { file, drawn: drawing.drawn })
    const path = { id: card.id }
    await got(api.POST('/api/cards/{id}/picture', { params: { path }, body }))
    emit('kept', `/api/cards/${card.id}/picture?drawn=${drawing.drawn}`)
  } catch {
    // It is drawn again the next time.
  }
})
</script>

<template>
  <img
    v-if="card.picture"
    :src="card.picture"
    :alt="`The card “${card.name}” as planned`"
    class="block max-h-full max-w-full"
    loading="lazy"
  />
  <div v-else-if="drawing" ref="drawn" class="h-full w-full">
    <DeskCard :desk="drawing.desk" :words="card.name" />
  </div>
</template>
