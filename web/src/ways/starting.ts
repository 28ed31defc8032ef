import { api, got, type LandedColour, type Role } from '@/api/client'
import type { Size } from '@/cards/SizeFields.vue'

/** A colour that a palette starts with: a supply, or a value. */
export type StartColour = {
  anchor: { colour?: number; value?: string }
  name: string
  role: Role
}

/** The supplies that the colours landed on; where one landed on none, its value. */
export const onSupplies = (colours: LandedColour[]): StartColour[] =>
  colours.map((one) => ({
    anchor: one.match ? { colour: one.match.swatch.id } : { value: one.lab.join(', ') },
    name: one.name,
    role: one.role,
  }))

/** The colours as they were asked for, tied to no supply. */
export const asKept = (colours: LandedColour[]): StartColour[] =>
  colours.map((one) => ({
    anchor: { value: one.lab.join(', ') },
    name: one.name,
    role: one.role,
  }))

export const startCard = (card: { name: string; size: Size }, colours: StartColour[]) =>
  got(api.POST('/api/palettes/start', { body: { ...card, colours } }))

export const COLUMNS = [
  { value: 'marker', words: 'alcohol markers' },
  { value: 'pad', words: 'ink pads' },
  { value: 'pencil', words: 'pencils' },
  { value: 'cardstock', words: 'cardstock' },
] as const
