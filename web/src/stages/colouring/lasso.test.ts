import { describe, expect, it } from 'vitest'
import { within } from './lasso'

const horseshoe = [
  { x: 0, y: 0 },
  { x: 30, y: 0 },
  { x: 30, y: 30 },
  { x: 20, y: 30 },
  { x: 20, y: 10 },
  { x: 10, y: 10 },
  { x: 10, y: 30 },
  { x: 0, y: 30 },
]

describe('a line drawn around areas', () => {
  it('holds what lies within it, also where it bends inwards', () => {
    const found = [
      { x: 5, y: 25 },
      { x: 15, y: 5 },
      { x: 25, y: 25 },
    ].map((point) => within(point, horseshoe))
    expect(found).toEqual([true, true, true])
  })

  it('holds nothing else', () => {
    const found = [
      { x: 15, y: 25 },
      { x: -1, y: 5 },
      { x: 31, y: 5 },
      { x: 5, y: 31 },
    ].map((point) => within(point, horseshoe))
    expect(found).toEqual([false, false, false, false])
    expect(within({ x: 0, y: 0 }, [])).toBe(false)
  })
})
