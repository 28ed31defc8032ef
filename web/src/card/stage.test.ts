import { describe, expect, it } from 'vitest'
import type { Card, Ground } from '@/api/client'
import { useSession } from '@/lib/session'
import { asked, inSetup, settled } from '@/testing'
import { useCard } from './card'
import { useStage } from './stage'

const made = (version: number, ground: unknown = null) =>
  ({ id: 4, version, checks: [] as unknown[], background: ground }) as unknown as Card
const paths = () => asked.map((one) => one.path)

describe('a stage', () => {
  it('is asked for when it is opened, and comes along with what is changed there', async () => {
    const store = useCard()
    store.card = made(1)
    const { ground, unmount } = inSetup(() => ({ ground: useStage('background') }))
    await settled()
    expect(paths()).toEqual(['/api/cards/4/ground'])
    await asked[0]!.answer({ shape: 'bands' } as Ground)
    expect(ground.value!.shape).toBe('bands')
    const change = store.change({ kind: 'set_ground', shape: 'ombre' } as never)
    await settled()
    expect(asked[1]!.body!.stage).toBe('background')
    await asked[1]!.answer(made(2, { shape: 'ombre' }))
    await change
    await settled()
    expect(ground.value!.shape).toBe('ombre')
    expect(paths()).toEqual(['/api/cards/4/ground', '/api/cards/4/changes'])
    unmount()
    expect(store.stage).toBeNull()
  })

  it('that is chosen again has what it told of the card as it is, and is asked again where that failed', async () => {
    const store = useCard()
    store.card = made(1)
    const first = inSetup(() => ({ ground: useStage('background') }))
    await settled()
    await asked[0]!.answer({ message: 'Not now.' }, 503)
    first.unmount()
    const second = inSetup(() => ({ ground: useStage('background') }))
    await settled()
    await asked[1]!.answer({ shape: 'bands' })
    second.unmount()
    const { ground } = inSetup(() => ({ ground: useStage('background') }))
    await settled()
    expect([ground.value!.shape, asked.length]).toEqual(['bands', 2])
    store.card = made(1)
    await settled()
    expect(asked).toHaveLength(3)
  })

  it('is asked for anew in other units, and of a card that came without it', async () => {
    const store = useCard()
    const session = useSession()
    session.person = { units: 'in' } as never
    store.card = made(1, { shape: 'bands' })
    const { ground } = inSetup(() => ({ ground: useStage('background') }))
    await settled()
    expect([ground.value!.shape, asked.length]).toEqual(['bands', 0])
    session.person = { units: 'mm' } as never
    await settled()
    await asked[0]!.answer({ shape: 'in mm' })
    expect(ground.value!.shape).toBe('in mm')
    store.card = made(2)
    await settled()
    expect(paths()).toEqual(['/api/cards/4/ground', '/api/cards/4/ground'])
  })
})
