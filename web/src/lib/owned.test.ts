import { expect, it } from 'vitest'
import { placeOf } from './owned'

it('knows to which place a page belongs, if it has such a switch', () => {
  const places = [
    '/cards/ways/rule',
    '/cards/7/colourways',
    '/cards/7/palette',
    '/match/3',
    '/supplies/5',
  ]
  expect(places.map(placeOf)).toEqual(['ways', 'colourways', 'cards', 'match', 'range'])
  expect(['/cards', '/supplies', '/account'].map(placeOf)).toEqual([
    undefined,
    undefined,
    undefined,
  ])
})
