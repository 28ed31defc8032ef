import { describe, expect, it } from 'vitest'
import type { Build, Card } from '@/api/client'
import { useCard } from '@/card/card'
import { asked, onPage, question, settled, eventually } from '@/testing'
import InsideView from './InsideView.vue'

const room = { width: 90, height: 50, lines: [{ hand: 'usual', count: 6, words: 5, apart: 8 }] }
const desk = { width: 100, height: 70, fold: 'at-the-side', inside: [], parts: [] }
const offered = (kind: string) => ({
  room,
  offers: [{ words: 'in a corner', room, desk, gives_way: [], change: { kind } }],
})

describe('the inside', () => {
  it('is laid as it is shown, never while other words are on their way', async () => {
    const store = useCard()
    store.card = { id: 3, version: 5, desk, checks: [] as unknown[] } as unknown as Card
    await settled()
    const before = asked.length
    const build = { pieces: [{}], inside: [] } as unknown as Build
    const place = await onPage(InsideView, { build })
    await (await question(before)).answer(offered('without'), 200)
    const lay = () =>
      [...place.querySelectorAll('button')].find((one) => one.textContent!.includes('Lay it so'))!
    await eventually(() => expect(lay().disabled).toBe(false))
    const input = place.querySelector('input')!
    input.value = 'with love'
    input.dispatchEvent(new Event('input'))
    input.dispatchEvent(new Event('change'))
    const anew = await question(before + 1)
    expect(anew.path).toBe('/api/cards/3/build/inside')
    expect(lay().disabled).toBe(true)
    await anew.answer(offered('with'), 200)
    await eventually(() => expect(lay().disabled).toBe(false))
    lay().click()
    expect((await question(before + 2)).body).toMatchObject({ change: { kind: 'with' } })
  })
})
