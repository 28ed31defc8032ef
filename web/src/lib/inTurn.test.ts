import { expect, it } from 'vitest'
import { inTurn } from './inTurn'

it('runs one after the other, and goes on after one that failed', async () => {
  const takeTurn = inTurn()
  const seen: string[] = []
  let open!: () => void
  const first = takeTurn(async () => {
    await new Promise<void>((done) => (open = done))
    seen.push('first')
  })
  const second = takeTurn(async () => {
    seen.push('second')
    throw new Error('broke')
  })
  const third = takeTurn(async () => {
    seen.push('third')
    return 3
  })
  await Promise.resolve()
  expect(seen).toEqual([])
  open()
  await first
  await expect(second).rejects.toThrow('broke')
  expect(await third).toBe(3)
  expect(seen).toEqual(['first', 'second', 'third'])
})
