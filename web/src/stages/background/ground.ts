import { ref } from 'vue'
import type { Change, Check, Ground, PadUse } from '@/api/client'
import { useCard } from '@/card/card'

type Settings = Omit<Extract<Change, { kind: 'set_ground' }>, 'kind'>

/** Whether the ground is shown while it is wet. */
export const isWet = ref(false)

/** What is found of the ground as a whole; how its joins stand is told beside them. */
export const standing = (checks: Check[]) =>
  checks.filter((one) => one.stage === 'background' && one.kind !== 'join')

/** A pad as a change of the ground speaks of it. */
export const use = ({ colour, hand, coats, reach, seam, stencil, same }: PadUse): PadUse => ({
  colour,
  hand,
  coats,
  reach,
  seam,
  stencil,
  same,
})
export const uses = (ground: Ground): PadUse[] => ground.pads.map(use)
export const plainUse = (colour: number): PadUse => ({
  colour,
  hand: 'middle',
  coats: 1,
  reach: 'halfway',
  seam: 'blended',
  stencil: { form: 'hills', openings: [], shape: 1 },
  same: false,
})

/** What is said of the ground is sent as it is said. */
export function useGround() {
  const store = useCard()
  const set = (settings: Settings) => store.change({ kind: 'set_ground', ...settings })
  /** Pads are sent whole, made of those that there are when their turn comes. */
  const setPads = (shown: Ground, make: (pads: PadUse[]) => PadUse[]) =>
    store.change((now) => ({ kind: 'set_ground', pads: make(uses(now.background ?? shown)) }))
  return { set, setPads }
}

export const HANDS = [
  { value: 'light', words: 'light hand' },
  { value: 'middle', words: 'middle hand' },
  { value: 'heavy', words: 'heavy hand' },
] as const
export const coatChoices = (most: number) =>
  Array.from({ length: most }, (_, n) => ({
    value: n + 1,
    words: n ? `${n + 1} coats` : '1 coat',
  }))
