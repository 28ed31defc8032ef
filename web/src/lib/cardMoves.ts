import { api, got } from '@/api/client'
import { useNotices } from './notices'

/** A card put by, or deleted, and had again: each says so and can be taken back. */
export function useCardMoves(changed: () => unknown) {
  const notices = useNotices()
  const at = (id: number) => ({ params: { path: { id } } })
  async function tell(words: string, done: Promise<unknown>, undo: () => Promise<unknown>) {
    try {
      await done
      notices.show(words, false, {
        words: 'Take it back',
        run: () =>
          undo()
            .then(() => changed())
            .catch(notices.fail),
      })
    } catch (error) {
      notices.fail(error)
    }
    await changed()
  }
  const lay = (id: number, away: boolean) =>
    got(api.POST('/api/cards/{id}/put-by', { ...at(id), body: { away } }))
  const bringBack = (id: number) => got(api.POST('/api/cards/deleted/{id}', at(id)))
  const remove = (id: number) => got(api.DELETE('/api/cards/{id}', at(id)))
  return {
    putBy: (card: { id: number; name: string }, away: boolean) =>
      tell(
        away ? `“${card.name}” is put by.` : `“${card.name}” is back among the cards.`,
        lay(card.id, away),
        () => lay(card.id, !away),
      ),
    remove: (card: { id: number; name: string }) =>
      tell(`“${card.name}” is deleted.`, remove(card.id), () => bringBack(card.id)),
    bringBack: (card: { id: number; name: string }) =>
      tell(`“${card.name}” is back.`, bringBack(card.id), () => remove(card.id)),
    removeForGood: async (card: { id: number }) => {
      await got(api.DELETE('/api/cards/deleted/{id}', at(card.id))).catch(notices.fail)
      await changed()
    },
  }
}
