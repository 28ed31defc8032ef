import { onUnmounted, type Ref } from 'vue'
import { api, got, type Card } from '@/api/client'
import { stale, useFetched } from '@/lib/fetched'
import { useSession } from '@/lib/session'
import { useCard, type StageAlong } from './card'

type Told<Key extends StageAlong> = NonNullable<Card[Key]>

const ASK = {
  colouring: (id: number) =>
    got(api.GET('/api/cards/{id}/colouring', { params: { path: { id } } })),
  background: (id: number) => got(api.GET('/api/cards/{id}/ground', { params: { path: { id } } })),
  build: (id: number) => got(api.GET('/api/cards/{id}/build', { params: { path: { id } } })),
}

interface Answer {
  asked: string // in which units, and after which marks that were sent late
  told: Promise<unknown>
}
/** What has been told of a card as it is: a stage that is chosen again has it at once. */
const answers = new WeakMap<Card, Partial<Record<StageAlong, Answer>>>()

/** What a stage tells of the open card: as it came along with the last change, else asked for once. */
export function useStage<Key extends StageAlong>(key: Key): Ref<Told<Key> | null> {
  const store = useCard()
  const session = useSession()
  store.stage = key
  onUnmounted(() => {
    if (store.stage === key) store.stage = null
  })

  function answer(card: Card) {
    const known = answers.get(card) ?? {}
    answers.set(card, known)
    const asked = `${session.person?.units} ${stale.value}`
    const before = known[key]
    if (before?.asked === asked) return before.told
    // Asked again of the same card, it is wanted otherwise than it came along.
    const along = before ? null : card[key]
    const told = along ? Promise.resolve(along) : ASK[key](card.id)
    known[key] = { asked, told }
    told.catch(() => delete known[key])
    return told
  }
  const { data } = useFetched(
    () => [store.card, session.person?.units],
    () => store.card && (answer(store.card) as Promise<Told<Key>>),
  )
  return data as Ref<Told<Key> | null>
}
