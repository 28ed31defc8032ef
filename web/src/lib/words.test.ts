import { describe, expect, it } from 'vitest'
import { figure, nearness, percent, plural } from './words'

const match = {
  verdict: 'near',
  tentative: false,
  direction: 'lighter',
  distance: 3.25,
  uncertainty: 0.5,
} as const

describe('words', () => {
  it('say how near a match is, and whether that is sure', () => {
    expect(nearness(match)).toBe('near, lighter')
    expect(nearness({ ...match, tentative: true, direction: '' })).toBe('probably near')
    expect(figure(match)).toBe('ΔE\u00a03.3\u00a0±\u00a00.5')
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
