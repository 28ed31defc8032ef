import { expect, it } from 'vitest'
import { at, left, span, when } from './times'

it('says minutes as people do', () => {
  expect([0.4, 59.6, 60, 187.2].map(span)).toEqual(['0 min', '1 h', '1 h', '3 h 7 min'])
  expect([0, 9.4, 65, 725].map(at)).toEqual(['0:00', '0:09', '1:05', '12:05'])
})

it('says what is left to the second, and never less than nothing', () => {
  expect([0.2, 59, 61, 3600, 4000, -5].map(left)).toEqual([
    '0:01',
    '0:59',
    '1:01',
    '1:00:00',
    '1:06:40',
    '0:00',
  ])
})

it('goes by the clock once the work is begun, with the day where it is another', () => {
  const begins = new Date(2026, 4, 6, 19, 30).getTime() / 1000
  expect([0, 45, 5 * 60].map((minutes) => when({ begins }, minutes))).toEqual([
    '19:30',
    '20:15',
    expect.stringMatching(/^Thu,? 00:30$/),
  ])
  expect(when({ begins: 0 }, 65)).toBe('1:05')
})
