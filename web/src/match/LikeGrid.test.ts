import { beforeEach, describe, expect, it, vi } from 'vitest'
import type { Like, Match } from '@/api/client'
import { onPage, press } from '@/testing'
import LikeGrid from './LikeGrid.vue'

const shades = Object.fromEntries(
  ['colour', 'greys', 'lamp', 'protan', 'deutan', 'tritan'].map((view) => [view, '#336699']),
)
const match = (id: number) =>
  ({
    swatch: {
      id,
      label: `ROD-${id}`,
      name: '',
      code: `ROD-${id}`,
      form: 'stroke',
      shades,
      sheet: [],
    },
    verdict: 'near',
    direction: '',
    distance: id / 10,
    tentative: false,
    between: ['near', 'near'],
    likely: [id / 10, id / 10],
  }) as unknown as Match
const ranges = [
  { range_id: 1, range_name: 'Rods', medium: 'gel pen', own: false, matches: [match(1), match(2)] },
  { range_id: 2, range_name: 'Nets', medium: 'gel pen', own: true, matches: [match(3)] },
] as unknown as Like['ranges']

describe('the grid of what is like a colour', () => {
  const choose = vi.fn()
  const flip = vi.fn()
  let page: HTMLElement
  const at = () => (document.activeElement as HTMLElement).dataset.at

  beforeEach(async () => {
    choose.mockReset()
    flip.mockReset()
    page = await onPage(LikeGrid, { ranges, chosen: 1, onChoose: choose, onFlip: flip })
    page.querySelector<HTMLElement>('[tabindex="0"]')!.focus()
  })

  it('is one stop for the tab key, on the cell that was reached last', async () => {
    const stops = () =>
      [...page.querySelectorAll('[tabindex="0"]')].map((one) => one.getAttribute('data-at'))
    expect(stops()).toEqual(['0 0'])
    await press('ArrowRight')
    expect(stops()).toEqual(['0 1'])
  })

  it.each([
    ['ArrowRight', '0 1'],
    ['ArrowLeft', '0 0'],
    ['ArrowUp', '0 0'],
    ['ArrowDown', '1 0'],
  ])('%s goes to %s and no farther than there is something', async (key, to) => {
    expect(await press(key)).toBe(true)
    expect(at()).toBe(to)
  })

  it('keeps to what a shorter row has, and Home goes to the very nearest', async () => {
    await press('ArrowRight')
    await press('ArrowDown')
    expect(at()).toBe('1 0')
    await press('ArrowDown')
    expect(at()).toBe('1 0')
    await press('Home')
    expect(at()).toBe('0 0')
  })

  it('compares what it reaches, and Enter asks what is like that', async () => {
    await press('ArrowDown')
    expect(choose.mock.lastCall![0].swatch.id).toBe(3)
    await press('Enter')
    expect(flip).toHaveBeenCalledOnce()
  })

  it('leaves keys with Ctrl or Alt, and those it does not know', async () => {
    expect(await press('ArrowRight', { ctrlKey: true })).toBe(false)
    expect(await press('x')).toBe(false)
    expect(at()).toBe('0 0')
  })

  it('says so where there is nothing', async () => {
    page = await onPage(LikeGrid, { ranges: [], chosen: 0 })
    expect(page.textContent).toContain('Nothing to compare with')
  })
})
