import { expect, it } from 'vitest'
import { at, span } from './times'

it('says minutes as people do', () => {
  expect([0.4, 59.6, 60, 187.2].map(span)).toEqual(['0 min', '1 h', '1 h', '3 h 7 min'])
  expect([0, 9.4, 65, 725].map(at)).toEqual(['0:00', '0:09', '1:05', '12:05'])
})
