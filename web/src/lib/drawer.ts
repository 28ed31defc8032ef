import { api, got, type DrawerSaid, type Fullness, type Swatch } from '@/api/client'
import { defineStore } from 'pinia'
import { ref } from 'vue'
import type { components } from '@/api/schema'
import { useNotices } from './notices'
import { isOffline, useOutbox, type Mark } from './outbox'

type Before = components['schemas']['DrawerBefore']
type Kept = Pick<Swatch, 'id' | 'label'>

/** What one put on the shopping list, for every place where a colour stands; asked once. */
export const useAsked = defineStore('asked', () => {
  const ids = ref<ReadonlySet<number>>(new Set())
  let known: Promise<void> | null = null
  /** A list that could not be had is asked for again by the next who wants it. */
  function ready() {
    known ??= got(api.GET('/api/shopping/asked')).then(
      ({ colours }) => void (ids.value = new Set(colours)),
      () => void (known = null),
    )
  }
  function put(id: number, asked: boolean) {
    const now = new Set(ids.value)
    if (asked) now.add(id)
    else now.delete(id)
    ids.value = now
  }
  return { ids, ready, put }
})

/** One press puts a colour into the drawer, says how full it is, takes it out, or lists it; each can be taken back. */
export function useDrawer(changed: () => unknown) {
  const notices = useNotices()
  const list = useAsked()
  const outbox = useOutbox()
  function told(words: string, before: Before) {
    const undo = async () => {
      await got(api.PUT('/api/drawer', { body: before }))
      await changed()
    }
    notices.show(words, false, { words: 'Take it back', run: () => undo().catch(notices.fail) })
  }
  /** What is told of some colours, and one press that takes it back with all that was noted of them. */
  async function tell(words: string, colours: number[], owned: boolean, more: DrawerSaid = {}) {
    try {
      const body = { colours, owned, ...more }
      told(words, await got(api.POST('/api/drawer', { body })))
    } catch (error) {
      const fullness = owned ? (more.fullness ?? 'full') : null
      later(error, { ...more, kind: 'owned', ids: colours, fullness, words })
    }
    await changed()
  }
  /** Without a network it is kept for later; any other failure is told. */
  function later(error: unknown, mark: Mark) {
    try {
      if (!isOffline(error)) throw error
      outbox.keep(mark)
    } catch (failure) {
      notices.fail(failure)
    }
  }
  /** `null`: it is not mine. */
  const keep = (swatch: Kept, fullness: Fullness | null, note?: string) =>
    keepAs(swatch.label, [swatch.id], fullness, note)
  /** Colours that are one thing, such as those of a sheet. */
  function keepAs(name: string, ids: number[], fullness: Fullness | null, note?: string) {
    const words = fullness === null ? 'is out of your drawer' : `is in your drawer, ${fullness}`
    const said = fullness === null ? {} : { fullness, note }
    return tell(`${name} ${words}.`, ids, fullness !== null, said)
  }
  function keepAll(swatches: readonly Kept[], owned: boolean) {
    const ids = swatches.map((one) => one.id)
    const [first] = swatches
    if (swatches.length === 1 && first) return keep(first, owned ? 'full' : null)
    const many = `${swatches.length} colours are ${owned ? 'in' : 'out of'} your drawer.`
    return tell(many, ids, owned)
  }
  /** A range, or a set of it: of very many colours the ids are not here. */
  async function keepRange(range: number, count: number, family?: string) {
    try {
      const before = await got(api.POST('/api/drawer', { body: { range, family, owned: true } }))
      told(`${count} colours are in your drawer.`, before)
    } catch (error) {
      notices.fail(error)
    }
    await changed()
  }
  const put = async (id: number, asked: boolean) => {
    await got(api.POST('/api/shopping/asked', { body: { colours: [id], asked } }))
    list.put(id, asked)
    await changed()
  }
  /** Onto the shopping list, or off it. */
  async function want(swatch: Kept, asked: boolean) {
    try {
      await put(swatch.id, asked)
      const words = asked ? 'is on your shopping list' : 'is off your shopping list'
      notices.show(`${swatch.label} ${words}.`, false, {
        words: 'Take it back',
        run: () => put(swatch.id, !asked).catch(notices.fail),
      })
    } catch (error) {
      const words = `${swatch.label} is ${asked ? 'on' : 'off'} your shopping list.`
      later(error, { kind: 'asked', id: swatch.id, asked, words })
    }
  }
  return { keep, keepAs, keepAll, keepRange, told, want }
}
