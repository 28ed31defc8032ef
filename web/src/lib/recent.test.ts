import { beforeEach, describe, expect, it, vi } from 'vitest'
import { recentOf } from './recent'

describe('what was picked last', () => {
  beforeEach(() => localStorage.clear())

  it('is kept for each person, the latest first, each once and not too many', () => {
    const { read, add } = recentOf('Ann')
    for (let id = 1; id <= 12; id++) add(id)
    add(7)
    expect(read()).toEqual([7, 12, 11, 10, 9, 8, 6, 5])
    expect(recentOf('Ben').read()).toEqual([])
  })

  it('is nothing where storage is broken, full or forbidden', () => {
    const { read, add } = recentOf('Ann')
    localStorage.setItem('jindle picked Ann', '{"no": 1}')
    expect(read()).toEqual([])
    localStorage.setItem('jindle picked Ann', 'not json')
    expect(read()).toEqual([])
    vi.spyOn(Storage.prototype, 'setItem').mockImplementation(() => {
      throw new DOMException('full', 'QuotaExceededError')
    })
    expect(() => add(3)).not.toThrow()
  })
})
