import { describe, expect, it } from 'vitest'
import type { Card, Check, Piece } from '@/api/client'
import { asked, settled } from '@/testing'
import { useCard } from '@/card/card'
import { checksOn, depth, useBuild } from './build'

const piece = (key: number, on: number) => ({ key, on }) as Piece

describe('pieces', () => {
  it('lie as deep as what is under them', () => {
    const pieces = [piece(1, 0), piece(2, 1), piece(3, 2), piece(4, 0)]
    expect(pieces.map((one) => depth(one, pieces))).toEqual([0, 1, 2, 0])
  })

  it('are named by the checks on them, not by those on others', () => {
    const on = { 'fit:3': [3], 'stands:13': [13], 'melts:2:3': [2, 3], 'pair:3': [], span: [] }
    const checks = Object.entries(on).map(([id, pieces]) => ({ id, pieces }) as unknown as Check)
    expect(checksOn(3, checks).map((one) => one.id)).toEqual(['fit:3', 'melts:2:3'])
  })

  it('are changed in the unit of their card', async () => {
    const store = useCard()
    store.card = { id: 3, version: 5, size: { unit: 'mm' }, checks: [] as unknown[] } as Card
    await settled()
    const { edit, add } = useBuild()
    void edit(2, { width: '80' })
    void add({ piece_kind: 'mat', name: '', on: 0, inside: false } as never)
    await settled()
    const change = { kind: 'edit_piece', key: 2, unit: 'mm', width: '80' }
    expect(asked[0]!.body).toEqual({ version: 5, stage: null, change })
    await asked[0]!.answer({ ...store.card, version: 6 })
    expect(asked[1]!.body).toMatchObject({ version: 6, change: { kind: 'add_piece', unit: 'mm' } })
  })
})
