import type { View } from '@/lib/session'
import type { Change, Check, Piece } from '@/api/client'
import { useCard } from '@/card/card'

export type Fields = Omit<Extract<Change, { kind: 'edit_piece' }>, 'kind' | 'key' | 'unit'>
type Added = Omit<Extract<Change, { kind: 'add_piece' }>, 'kind' | 'unit'>

/** What is said of pieces is sent as it is said, lengths in the card's own unit. */
export function useBuild() {
  const store = useCard()
  const unit = () => store.card!.size.unit
  const edit = (key: number, told: Fields) =>
    store.change({ kind: 'edit_piece', key, unit: unit(), ...told })
  const add = (told: Added) => store.change({ kind: 'add_piece', unit: unit(), ...told })
  return { store, edit, add }
}

/** Degrees as they are typed, a comma and a minus of any kind understood; null for what is no number. */
export function typedDegrees(typed: string): number | null {
  const degrees = Number(typed.replace('−', '-').replace(',', '.').replace('°', '') || 0)
  return Number.isFinite(degrees) ? degrees : null
}

/** How deep a piece lies: how many pieces are under it. */
export function depth(piece: Piece, pieces: Piece[]): number {
  const under = pieces.find((one) => one.key === piece.on)
  return under ? depth(under, pieces) + 1 : 0
}

/** The checks that are on a piece. */
export const checksOn = (key: number, checks: Check[]) =>
  checks.filter((one) => one.pieces.includes(key))

/** How a swatch of a material looks: a sheet shows its pattern. */
export function swatchStyle(material: Piece['material'], view: View) {
  return material.source === 'sheet' && material.id
    ? { background: `center / 200% url("/api/papers/${material.id}/picture?view=${view}")` }
    : { background: material.shades[view] }
}
