import { describe, expect, it } from 'vitest'
import { figure, nearness, percent, plural, really } from './words'

const match: Parameters<typeof nearness>[0] = {
  verdict: 'near',
  tentative: false,
  direction: 'lighter',
  distance: 3.25,
  between: ['very-near', 'cousin'],
  likely: [3.25, 3.25],
}

describe('words', () => {
  it('say how near a match is, and whether that is sure', () => {
    expect(nearness(match)).toBe('near, lighter')
    const unsure = { ...match, tentative: true, direction: '' }
    expect([nearness(unsure), nearness(unsure, true)]).toEqual(['probably near', 'near'])
    expect([really(match), really(unsure)]).toEqual(['', 'really between very near and a cousin'])
    expect(figure(match)).toBe('ΔE\u00a03.3')
    expect(figure({ ...match, likely: [2.14, 6.2] })).toBe('ΔE\u00a03.3, really 2.1 to 6.2')
  })

  it('count one and many', () => {
    expect([0, 1, 2].map((n) => plural(n, 'pad'))).toEqual(['0 pads', '1 pad', '2 pads'])
    expect(plural(2, 'family', 'families')).toBe('2 families')
  })

  it('tell small shares with a tenth', () => {
    expect([0.005, 0.0199, 0.02, 0.5].map(percent)).toEqual(
      ['0.5', '2.0', '2', '50'].map((figure) => `${figure}\u00a0%`),
    )
  })
})
