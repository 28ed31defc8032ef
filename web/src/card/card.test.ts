import { describe, expect, it } from 'vitest'
import type { Card, Change } from '@/api/client'
import { useNotices } from '@/lib/notices'
import { asked, settled } from '@/testing'
import { useCard } from './card'

const made = (id: number, version: number, name = 'Heron') =>
  ({ id, version, name, checks: [] as unknown[] }) as Card
const named = (name: string): Change => ({ kind: 'set_card', name })

async function opened(id = 1, version = 1) {
  const store = useCard()
  const opening = store.open(id)
  await settled()
  await asked.at(-1)!.answer(made(id, version))
  await opening
  return store
}

describe('changes', () => {
  it('are sent one after the other, each with the version that the one before left', async () => {
    const store = await opened()
    const first = store.change(named('one'))
    const second = store.change(named('two'))
    await settled()
    expect(asked).toHaveLength(2) // the card itself and the first change
    expect(asked[1]!.body).toEqual({ version: 1, stage: null, change: named('one') })
    expect(store.busy).toBe(true)
    await asked[1]!.answer(made(1, 2, 'one'))
    expect(await first).toBe(true)
    expect(asked[2]!.body).toEqual({ version: 2, stage: null, change: named('two') })
    await asked[2]!.answer(made(1, 3, 'two'))
    expect(await second).toBe(true)
    expect([store.card!.name, store.card!.version, store.busy]).toEqual(['two', 3, false])
  })

  it('that are made of what there is are made in their turn', async () => {
    const store = await opened()
    void store.change(named('one'))
    const second = store.change((now) => named(`${now.name} and two`))
    await settled()
    await asked[1]!.answer(made(1, 2, 'one'))
    await settled()
    expect(asked[2]!.body!.change).toEqual(named('one and two'))
    await asked[2]!.answer(made(1, 3, 'one and two'))
    expect(await second).toBe(true)
  })

  it('that are refused leave the card as it is, and the next goes on from it', async () => {
    const store = await opened()
    const refused = store.change(named(''))
    await settled()
    await asked[1]!.answer({ code: 'bad', message: 'A card has a name.', problems: [] }, 400)
    expect(await refused).toBe(false)
    expect(store.card!.version).toBe(1)
    expect(useNotices().list.map((one) => one.text)).toEqual(['A card has a name.'])
    const next = store.change(named('two'))
    await settled()
    expect(asked[2]!.body!.version).toBe(1)
    await asked[2]!.answer(made(1, 2, 'two'))
    expect(await next).toBe(true)
  })

  it('of a card that another window changed bring that card, and are told', async () => {
    const store = await opened()
    const late = store.change(named('mine'))
    await settled()
    await asked[1]!.answer({ code: 'stale', message: 'Changed elsewhere.', problems: [] }, 409)
    expect(asked[2]!.path).toBe('/api/cards/1')
    await asked[2]!.answer(made(1, 7, 'theirs'))
    expect(await late).toBe(false)
    expect([store.card!.name, store.card!.version]).toEqual(['theirs', 7])
    expect(useNotices().list[0]!.failed).toBe(true)
  })

  it('without a network lose nothing', async () => {
    const store = await opened()
    const lost = store.change(named('one'))
    await settled()
    await asked[1]!.fail()
    expect(await lost).toBe(false)
    expect(store.card!.version).toBe(1)
    expect(useNotices().list[0]!.text).toContain('cannot be reached')
  })

  it('undo and redo take their turn among them', async () => {
    const store = await opened()
    const change = store.change(named('one'))
    const back = store.step('undo')
    await settled()
    await asked[1]!.answer(made(1, 2, 'one'))
    await change
    expect([asked[2]!.path, asked[2]!.body]).toEqual([
      '/api/cards/1/undo',
      { version: 2, stage: null },
    ])
    await asked[2]!.answer(made(1, 3))
    expect(await back).toBe(true)
  })
})

describe('a late answer', () => {
  it('never takes the place of a newer card', async () => {
    const store = await opened(1, 4)
    const again = store.open(1) // the card is shown as it was, and asked for anew
    const change = store.change(named('new'))
    await settled()
    await asked[2]!.answer(made(1, 5, 'new'))
    await change
    await asked[1]!.answer(made(1, 4, 'old'))
    await again
    expect([store.card!.name, store.card!.version]).toEqual(['new', 5])
  })

  it('of a card that was left does not show, nor its trouble', async () => {
    const store = useCard()
    const left = store.open(1)
    const here = store.open(2)
    await settled()
    await asked[1]!.answer(made(2, 1, 'Tern'))
    await asked[0]!.answer({ code: 'not_found', message: 'Nothing here.', problems: [] }, 404)
    await Promise.all([left, here])
    expect([store.card!.name, store.missing]).toEqual(['Tern', false])
  })
})

describe('what cannot be opened', () => {
  it('is missing, or says why it cannot be shown', async () => {
    const store = useCard()
    const gone = store.open(9)
    await settled()
    await asked[0]!.answer({ code: 'not_found', message: 'Nothing here.', problems: [] }, 404)
    await gone
    expect([store.missing, store.card]).toEqual([true, null])
    const broken = store.open(8)
    await settled()
    const told = { code: 'cannot_be_shown', message: 'Its size is no size.', problems: [] }
    await asked[1]!.answer(told, 422)
    await broken
    expect([store.missing, store.broken]).toEqual([false, 'Its size is no size.'])
  })
})

describe('mends', () => {
  const failing = { ...made(1, 1), checks: [{ id: 'span', status: 'fails', waived: null }] } as Card

  it('are asked for once the card has come, and those of an earlier card are dropped', async () => {
    const store = useCard()
    const opening = store.open(1)
    await settled()
    await asked[0]!.answer(failing)
    await opening
    expect(asked[1]!.path).toBe('/api/cards/1/mends')
    const change = store.change(named('two'))
    await settled()
    await asked[2]!.answer({ ...failing, version: 2 })
    await change
    await asked[1]!.answer([{ id: 'span', mends: [{ words: 'old' }] }])
    expect(store.mends).toEqual({})
    await asked[3]!.answer([{ id: 'span', mends: [{ words: 'new' }] }])
    expect(store.mends.span!.map((one) => one.words)).toEqual(['new'])
  })

  it('are not asked for where nothing is to be mended', async () => {
    await opened()
    expect(asked).toHaveLength(1)
  })

  it('go back as they came', async () => {
    const store = await opened()
    const offered = { kind: 'edit_piece', key: 3, width: '4 1/2 in' }
    const applied = store.apply({ change: offered })
    await settled()
    expect(asked[1]!.body!.change).toEqual(offered)
    await asked[1]!.answer(made(1, 2))
    expect(await applied).toBe(true)
  })

  it('gives a colour that is taken to what is chosen, else lights it up', () => {
    const store = useCard()
    store.take(2)
    expect(store.lit).toBe(2)
    store.take(2)
    expect(store.lit).toBe(0)
    const painted: number[] = []
    store.painting = (colour) => painted.push(colour)
    store.take(3)
    store.take(3)
    expect([painted, store.lit]).toEqual([[3, 3], 3])
  })
})
