import { inject, type InjectionKey, type Ref } from 'vue'
import { api, got, type CardSet } from '@/api/client'

type Open = {
  set: Ref<CardSet | null>
  /** Something is done to it, and the answer is what it is then. */
  doing: (ask: (id: number, version: number) => Promise<CardSet>) => Promise<boolean>
}
export const SET: InjectionKey<Open> = Symbol('the set that is open')

/** The set that is open; only inside SetFrame. */
export function useSet(): Open {
  const open = inject(SET)
  if (!open) throw new Error('useSet needs a SetFrame around it')
  return open
}

/** How many of which cards, in their order. */
export type HowMany = { card: number; count: number }

export const changed = (id: number, body: { version: number; name?: string; cards?: HowMany[] }) =>
  got(api.PATCH('/api/sets/{id}', { params: { path: { id } }, body }))
