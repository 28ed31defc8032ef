import { onUnmounted, type Ref } from 'vue'
import { api, got, type Card } from '@/api/client'
import { useFetched } from '@/lib/fetched'
import { useSession } from '@/lib/session'
import { useCard, type StageAlong } from './card'

type Told<Key extends StageAlong> = NonNullable<Card[Key]>

const ASK = {
  colouring: (id: number) =>
    got(api.GET('/api/cards/{id}/colouring', { params: { path: { id } } })),
  background: (id: number) => got(api.GET('/api/cards/{id}/ground', { params: { path: { id } } })),
  build: (id: number) => got(api.GET('/api/cards/{id}/build', { params: { path: { id } } })),
}

/** What a stage tells of the open card: as it came along with the last change, else asked for. */
export function useStage<Key extends StageAlong>(key: Key): Ref<Told<Key> | null> {
  const store = useCard()
  const session = useSession()
  store.stage = key
  onUnmounted(() => {
    if (store.stage === key) store.stage = null
  })
  let answered: Card | null = null
  const { data } = useFetched(
    () => [store.card, session.person?.units],
    () => {
      const card = store.card
      // Asked again of the same card, it is wanted in another unit.
      const along = card === answered ? null : card?.[key]
      answered = card
      if (!card) return null
      return (along ? Promise.resolve(along) : ASK[key](card.id)) as Promise<Told<Key>>
    },
  )
  return data as Ref<Told<Key> | null>
}
