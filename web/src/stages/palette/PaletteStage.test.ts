import { beforeEach, describe, expect, it } from 'vitest'
import type { Card } from '@/api/client'
import { useCard } from '@/card/card'
import { asked, onPage, press, settled } from '@/testing'
import PaletteStage from './PaletteStage.vue'

const shades = Object.fromEntries(
  ['colour', 'greys', 'lamp', 'protan', 'deutan', 'tritan'].map((view) => [view, '#336699']),
)
const swatch = (id: number) => ({
  id,
  label: `ROD-${id}`,
  code: `ROD-${id}`,
  name: '',
  form: 'stroke',
  range_name: 'Rods',
  shades,
  sheet: [],
})
const match = (id: number) => ({
  swatch: swatch(id),
  verdict: 'near',
  direction: '',
  distance: 1,
  tentative: false,
  between: ['near', 'near'],
  likely: [1, 1],
})
const cell = (column: string, id: number, state = 'nearest') => ({
  column,
  state,
  hole: !id,
  match: id ? match(id) : null,
})
const colour = (key: number, cells: unknown[]) => ({
  key,
  name: `colour ${key}`,
  role: 'lead',
  lab: [50, 0, 0],
  shades,
  hue_name: 'blue',
  provenance_words: 'read',
  uncertainty: 1,
  on_screen: true,
  anchor: null,
  lost: false,
  cells,
})
const card = {
  id: 5,
  version: 3,
  name: 'Heron',
  checks: [] as unknown[],
  to_read: [],
  columns: [
    { key: 'marker', title: 'Marker' },
    { key: 'pad', title: 'Ink pad' },
  ],
  colours: [
    colour(1, [cell('marker', 11, 'chosen'), cell('pad', 21)]),
    colour(4, [cell('marker', 12, 'locked'), cell('pad', 0)]),
  ],
} as unknown as Card

describe('the palette table by keys', () => {
  let page: HTMLElement
  const at = () => {
    const { row, column } = (document.activeElement as HTMLElement).dataset
    return `${row} ${column}`
  }
  const sent = () => asked.at(-1)?.body?.change

  beforeEach(async () => {
    useCard().card = card
    page = await onPage(PaletteStage)
    await asked[0]!.answer({ colours: [] }) // what is on the shopping list
    asked.length = 0
    page.querySelector<HTMLElement>('[data-row="0"][data-column="0"]')!.focus()
  })

  it('moves within its bounds, and Home and End along a row', async () => {
    const way: [string, string][] = [
      ['ArrowUp', '0 0'],
      ['ArrowRight', '0 1'],
      ['End', '0 2'],
      ['ArrowRight', '0 2'],
      ['ArrowDown', '1 2'],
      ['ArrowDown', '1 2'],
      ['Home', '1 0'],
      ['ArrowLeft', '1 0'],
    ]
    for (const [key, to] of way) {
      await press(key)
      expect(at(), key).toBe(to)
    }
    expect(page.querySelectorAll('[role=grid] [tabindex="0"]')).toHaveLength(1)
  })

  it('locks what is there, and unlocks what is locked', async () => {
    await press('End')
    await press('l')
    const told = { kind: 'choose', key: 1, column: 'pad', colour: 21, locked: true }
    expect(sent()).toEqual(told)
    await asked.at(-1)!.answer(card)
    await press('ArrowDown')
    await press('L') // nothing is there to be locked
    expect(asked).toHaveLength(1)
    await press('ArrowLeft')
    await press('l')
    expect(sent()).toMatchObject({ key: 4, column: 'marker', colour: 12, locked: false })
  })

  it('says in one key that it is mine, and in one that it is to buy', async () => {
    await press('m') // the palette colour itself is no supply of a cell
    expect(asked).toHaveLength(0)
    await press('End')
    await press('m')
    expect(asked[0]!.body).toEqual({ colours: [21], owned: true, fullness: 'full' })
    await press('b')
    expect(asked[1]!.body).toEqual({ colours: [21], asked: true })
  })

  it('goes back to the nearest only where something was chosen', async () => {
    await press('ArrowRight')
    await press('Delete')
    expect(sent()).toEqual({ kind: 'clear_choice', key: 1, column: 'marker' })
    await asked.at(-1)!.answer(card)
    await press('ArrowRight')
    await press('Backspace')
    expect(asked).toHaveLength(1)
  })

  it('steps through the nearest, stops at their ends, and leaves a locked cell', async () => {
    await press('ArrowRight')
    await press(']')
    expect(asked.at(-1)!.path).toBe('/api/cards/5/alternatives')
    await asked.at(-1)!.answer({ matches: [match(11), match(15)], ranges: [] })
    expect(sent()).toMatchObject({ kind: 'choose', key: 1, column: 'marker', colour: 15 })
    await asked.at(-1)!.answer(card)
    await press('[')
    await asked.at(-1)!.answer({ matches: [match(11), match(15)], ranges: [] })
    await settled()
    expect(asked).toHaveLength(3) // the first has none before it
    await press('ArrowDown')
    await press(']')
    expect(asked).toHaveLength(3)
  })

  it('leaves keys that belong to the browser', async () => {
    expect(await press('l', { ctrlKey: true })).toBe(false)
    expect(await press('q')).toBe(false)
    expect(asked).toEqual([])
  })
})
