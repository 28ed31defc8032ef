<script setup lang="ts">
import { ref, watch } from 'vue'
import { api, got, type CardSummary, type DrawingToMake } from '@/api/client'
import { useNotices } from '@/lib/notices'
import CardLook from './CardLook.vue'

/** Small pictures of cards that have none yet are drawn here, out of sight: what is printed shows them. */
const { cards, version } = defineProps<{ cards: number[]; version: string | number }>()
const emit = defineEmits<{ kept: [] }>()
const notices = useNotices()
const AT_ONCE = 6
const looks = ref<{ card: CardSummary; drawing: DrawingToMake }[]>([])
let asked = 0

watch(
  // By value: whoever shows this hands in another list each time it is drawn.
  () => `${cards.join()} ${version}`,
  async () => {
    const mine = ++asked
    looks.value = []
    try {
      for (let start = 0; start < cards.length; start += AT_ONCE) {
        const query = { ids: cards.slice(start, start + AT_ONCE) }
        const found = await got(api.GET('/api/cards/glances', { params: { query } }))
        if (mine !== asked) return
        looks.value.push(
          ...found.cards.flatMap((card) => (card.drawing ? [{ card, drawing: card.drawing }] : [])),
        )
      }
      emit('kept')
    } catch (error) {
      notices.fail(error)
    }
  },
  { immediate: true },
)
</script>

<template>
  <div v-if="looks.length" class="h-0 overflow-hidden" aria-hidden="true">
    <CardLook
      v-for="one in looks"
      :key="one.drawing.drawn"
      :card="one.card"
      :drawing="one.drawing"
      @kept="emit('kept')"
    />
  </div>
</template>
