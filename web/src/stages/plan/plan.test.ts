import { describe, expect, it, vi } from 'vitest'
import type { Plan } from '@/api/client'
import { useNotices } from '@/lib/notices'
import { asked, settled } from '@/testing'
import { usePlan } from './plan'

const made = (version: number, now = 1000) =>
  ({ version, now, tasks: [], past: [], wishes: [], timers: [] }) as unknown as Plan

async function opened(id = 1) {
  const work = usePlan()
  const opening = work.open(id)
  await settled()
  await asked.at(-1)!.answer(made(1))
  await opening
  return work
}

describe('what is pressed', () => {
  it('is sent one after the other, each with the version that the one before left', async () => {
    const work = await opened()
    const first = work.press('done', 'base', { go_on: true })
    const second = work.want((now) => ({ cards: now.version + 5 }))
    await settled()
    expect(asked).toHaveLength(2)
    expect(asked[1]!.body).toEqual({
      version: 1,
      press: 'done',
      key: 'base',
      minutes: 0,
      go_on: true,
    })
    await asked[1]!.answer(made(2))
    expect(await first).toBe(true)
    expect(asked[2]!.body).toEqual({ version: 2, cards: 7 })
    await asked[2]!.answer(made(3))
    expect(await second).toBe(true)
  })

  it('on two devices at once is told to the later one, who then sees what the other did', async () => {
    const work = await opened()
    const pressed = work.press('done', 'base')
    await settled()
    await asked[1]!.answer({ code: 'stale', message: 'Another was quicker.', problems: [] }, 409)
    await settled()
    await asked[2]!.answer(made(8))
    expect(await pressed).toBe(false)
    expect(work.plan!.version).toBe(8)
    expect(useNotices().list.map((one) => one.text)).toEqual(['Another was quicker.'])
  })

  it('of a card that was left meanwhile changes nothing of the next', async () => {
    const work = await opened(1)
    void work.press('done', 'base')
    await settled()
    void work.open(2)
    await settled()
    await asked[1]!.answer(made(2))
    expect(work.plan).toBeNull()
    await asked[2]!.answer(made(30))
    expect(work.plan!.version).toBe(30)
  })
})

it('takes the time from the server, whatever clock this device has', async () => {
  const clock = vi.spyOn(performance, 'now').mockReturnValue(5_000)
  const work = await opened()
  clock.mockReturnValue(95_500)
  vi.spyOn(Date, 'now').mockReturnValue(0)
  expect(work.now()).toBe(1090.5)
})
