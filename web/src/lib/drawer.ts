import { api, got, type Fullness, type Swatch } from '@/api/client'
import { useNotices } from './notices'

type Kept = Pick<Swatch, 'id' | 'label' | 'owned' | 'fullness'>

/** One press puts a colour into the drawer, says how full it is, takes it out, or lists it; each can be taken back. */
export function useDrawer(changed: () => unknown) {
  const notices = useNotices()
  async function send(id: number, fullness: Fullness | null) {
    const body = { colours: [id], owned: fullness !== null, ...(fullness ? { fullness } : {}) }
    await got(api.POST('/api/drawer', { body }))
    await changed()
  }
  /** `null`: it is not mine. */
  async function keep(swatch: Kept, fullness: Fullness | null) {
    const before = swatch.owned ? (swatch.fullness ?? 'full') : null
    try {
      await send(swatch.id, fullness)
      const words = fullness === null ? 'is out of your drawer' : `is in your drawer, ${fullness}`
      notices.show(`${swatch.label} ${words}.`, false, {
        words: 'Undo',
        run: () => send(swatch.id, before).catch(notices.fail),
      })
    } catch (error) {
      notices.fail(error)
    }
  }
  const list = async (id: number, asked: boolean) => {
    await got(api.POST('/api/shopping/asked', { body: { colours: [id], asked } }))
    await changed()
  }
  /** Onto the shopping list, or off it. */
  async function want(swatch: Kept, asked: boolean) {
    try {
      await list(swatch.id, asked)
      const words = asked ? 'is on your shopping list' : 'is off your shopping list'
      notices.show(`${swatch.label} ${words}.`, false, {
        words: 'Undo',
        run: () => list(swatch.id, !asked).catch(notices.fail),
      })
    } catch (error) {
      notices.fail(error)
    }
  }
  return { keep, want }
}
