import type { Build } from '@/api/client'

/** Out of which sheets something is cut, and how. */
export type AskedSheets = {
  width: string
  height: string
  unit: 'in' | 'mm'
  grain: Build['grains'][number]
  from_middles: boolean
}

/** An address with what is asked there. */
export const addressOf = (path: string, asked: object) =>
  `${path}?${new URLSearchParams(Object.entries(asked).map(([name, value]) => [name, String(value)]))}`
