import { inject, type InjectionKey, type Ref } from 'vue'
import { COLUMNS, type StartColour } from './starting'

export type Column = (typeof COLUMNS)[number]['value']
type Ways = {
  column: Ref<Column>
  owned: Ref<boolean>
  start: (name: string, colours: StartColour[]) => void
  keep: (name: string, colours: StartColour[]) => void
}
export const WAYS: InjectionKey<Ways> = Symbol('ways into a palette')

/** What the frame around every way gives; only inside WaysFrame. */
export function useWays(): Ways {
  const ways = inject(WAYS)
  if (!ways) throw new Error('useWays needs a WaysFrame around it')
  return ways
}
