import { ref, shallowRef } from 'vue'
import { useRoute } from 'vue-router'
import type { Hand, Swatch } from '@/api/client'
import { useOwnCards } from './ownCards'
import { useSession } from './session'

export const HANDS: { value: Hand; words: string }[] = [
  { value: 'light', words: 'light hand' },
  { value: 'middle', words: 'middle hand' },
  { value: 'heavy', words: 'heavy hand' },
]

/** Whether a medium is laid on card at all, so that layers, hand and paper mean something. */
export const isLaid = (medium: Swatch['medium']) => useSession().medium(medium)?.laid ?? false

/** How a swatch was laid: what a reading must be told. */
export function useLaid() {
  const { query } = useRoute() // where a reading is asked for, it says how to lay it
  const layers = ref(Number(query.layers) || 1)
  const hand = ref<Hand>(HANDS.find((one) => one.value === query.hand)?.value ?? 'middle')
  const paper = ref(Number(query.on) || 0)
  const below = shallowRef<Swatch | null>(null)
  const papers = useOwnCards('white swatch card')
  const told = () => ({
    layers: layers.value,
    hand: hand.value,
    paper: paper.value || null,
    below: below.value?.id ?? null,
  })
  return { layers, hand, paper, below, papers, told }
}
