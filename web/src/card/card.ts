import { defineStore } from 'pinia'
import { ref, shallowRef, watch } from 'vue'
import { api, ApiError, got, type Card, type Change, type Mend } from '@/api/client'
import { inTurn } from '@/lib/inTurn'
import { useNotices } from '@/lib/notices'
import { isOffline } from '@/lib/outbox'

/** The stages that are answered along with a change, so that nothing is worked out twice. */
export type StageAlong = 'colouring' | 'background' | 'build'

/** The card that is open. Every change is sent as it is made; the answer is the new state. */
export const useCard = defineStore('card', () => {
  const card = shallowRef<Card | null>(null)
  const stage = ref<StageAlong | null>(null) // the one on screen
  const lit = ref(0) // key of the palette colour that is chosen, or 0
  const piece = ref(0) // key of the piece that is chosen, or 0
  const added = ref(0) // key of the palette colour that was just added: the keyboard goes on there
  const mends = shallowRef<Record<string, Mend[]>>({}) // by a check's id: what would mend it
  const missing = ref(false)
  const broken = ref('') // why the card cannot be shown
  const busy = ref(false)
  const painting = shallowRef<((colour: number) => void) | null>(null) // where a stage has things chosen
  const notices = useNotices()
  const takeTurn = inTurn()
  let wanted = 0 // the card that was opened last

  async function open(id: number) {
    if (card.value?.id !== id) {
      card.value = null
      lit.value = 0
      piece.value = 0
    }
    wanted = id
    missing.value = false
    broken.value = ''
    await refresh(id)
  }

  async function refresh(id = card.value?.id) {
    if (!id) return
    try {
      const found = await got(api.GET('/api/cards/{id}', { params: { path: { id } } }))
      // It may come late: another card is open by now, or this one was changed in between.
      if (id !== wanted || (card.value?.id === id && card.value.version > found.version)) return
      card.value = found
      broken.value = ''
    } catch (error) {
      if (id !== wanted) return
      if (error instanceof ApiError && error.status === 404) missing.value = true
      else if (error instanceof ApiError && error.code === 'cannot_be_shown')
        broken.value = error.message
      else notices.fail(error)
    }
  }

  /** One after the other, so that each change knows the version before it. */
  function send(ask: (id: number, version: number, now: Card) => Promise<Card>): Promise<boolean> {
    return takeTurn(async () => {
      if (!card.value) return false
      busy.value = true
      try {
        card.value = await ask(card.value.id, card.value.version, card.value)
        return true
      } catch (error) {
        notices.fail(error)
        const gone = error instanceof ApiError && error.code === 'cannot_be_shown'
        if (gone || (error instanceof ApiError && error.status === 409)) await refresh()
        return false
      } finally {
        busy.value = false
      }
    })
  }

  /** A change, or how to make it of the card as it is in its turn: of two quick presses neither is lost. */
  function change(made: Change | ((now: Card) => Change)) {
    return send((id, version, now) =>
      got(
        api.POST('/api/cards/{id}/changes', {
          params: { path: { id } },
          body: {
            version,
            stage: stage.value,
            change: typeof made === 'function' ? made(now) : made,
          },
        }),
      ),
    )
  }
  /** What would mend the checks comes after them: trying it out takes its time. */
  watch(card, async (now) => {
    mends.value = {}
    if (!now?.checks.some((one) => one.status !== 'holds' && one.waived === null)) return
    try {
      const found = await got(
        api.GET('/api/cards/{id}/mends', { params: { path: { id: now.id } } }),
      )
      if (card.value === now)
        mends.value = Object.fromEntries(found.map((one) => [one.id, one.mends]))
    } catch (error) {
      if (!isOffline(error)) notices.fail(error) // nobody pressed anything: the card is as good without
    }
  })

  /** A palette colour is taken: what is chosen in the stage gets it, or it is lit everywhere. */
  function take(colour: number) {
    if (painting.value) painting.value(colour)
    lit.value = lit.value === colour && !painting.value ? 0 : colour
  }

  /** What the server offers, sent back as it came. */
  const apply = (offered: { change: Record<string, unknown> | null }) =>
    change(offered.change as Change)
  function step(which: 'undo' | 'redo') {
    return send((id, version) =>
      got(
        api.POST(`/api/cards/{id}/${which}`, {
          params: { path: { id } },
          body: { version, stage: stage.value },
        }),
      ),
    )
  }

  return {
    card,
    stage,
    lit,
    piece,
    added,
    mends,
    missing,
    broken,
    busy,
    painting,
    take,
    open,
    refresh,
    send,
    change,
    apply,
    step,
  }
})
