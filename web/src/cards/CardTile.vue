<script setup lang="ts">
import { computed } from 'vue'
import type { CardSummary, DrawingToMake } from '@/api/client'
import { useSession } from '@/lib/session'
import { plural } from '@/lib/words'
import DotsMenu, { type DotsItem } from '@/ui/DotsMenu.vue'
import CardLook from './CardLook.vue'

/** A card in the list: how it looks, its palette, how far it is, and what can be done with all of it. */
const { card, drawing } = defineProps<{ card: CardSummary; drawing?: DrawingToMake }>()
const emit = defineEmits<{ kept: [address: string]; copy: []; putBy: []; remove: [] }>()
const session = useSession()

const HOW_FAR = { idea: 'an idea', making: 'being made', made: 'made' }
const standing = computed(() => {
  if (!card.current) return 'looking at its checks …'
  if (!card.checks) return 'nothing to check yet'
  if (card.failing) return `${plural(card.failing, 'check')} failing`
  if (card.doubtful) return `${plural(card.doubtful, 'check')} to look at again`
  return 'all checks hold'
})
const items = computed<DotsItem[]>(() => [
  { words: 'Copy …', run: () => emit('copy') },
  { words: 'In other colours', to: `/cards/${card.id}/colourways` },
  { words: card.put_by ? 'Back among the cards' : 'Put it by', run: () => emit('putBy') },
  { words: 'Delete', run: () => emit('remove') },
])
</script>

<template>
  <article class="panel relative h-full overflow-hidden hover:border-ink">
    <RouterLink :to="`/cards/${card.id}/palette`" class="block">
      <div class="flex h-56 items-center justify-center bg-wall p-5">
        <CardLook
          :key="drawing?.drawn ?? ''"
          :card="card"
          :drawing="drawing"
          @kept="$emit('kept', $event)"
        />
      </div>
      <div class="flex h-7">
        <span
          v-for="colour in card.strip"
          :key="colour.key"
          class="flex-1"
          :style="{ background: colour.shades[session.view] }"
          :title="colour.name"
        />
        <span v-if="!card.strip.length" class="px-4 pt-2 text-xs text-soft">no palette yet</span>
      </div>
      <div class="p-4 pr-12">
        <h2 class="text-base">{{ card.name }}</h2>
        <p v-if="card.size" class="mt-1 text-xs text-soft">
          {{ card.size.words }}, {{ card.size.orientation }}
        </p>
        <p class="mt-1 text-xs">
          {{ HOW_FAR[card.how_far] }},
          <span :class="{ 'font-semibold': card.failing }">{{ standing }}</span>
        </p>
      </div>
    </RouterLink>
    <DotsMenu class="absolute right-2 bottom-4" :label="`More of ${card.name}`" :items="items" />
  </article>
</template>
