import { expect, it } from 'vitest'
import { STAGES } from '@/card/stages'
import { GUIDE, helpOn } from './guide'

const pictures = Object.keys(import.meta.glob('../../public/guide/*.webp'))

it('tells of every stage and every place, each with a picture', () => {
  for (const key of [
    ...STAGES.map((one) => one.key),
    'match',
    'supplies',
    'papers',
    'log',
    'training',
  ])
    expect(helpOn(key), key).toBeDefined()
  for (const { key } of GUIDE)
    expect(
      pictures.some((one) => one.endsWith(`/${key}.webp`)),
      key,
    ).toBe(true)
})
