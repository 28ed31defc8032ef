import { beforeEach, describe, expect, it, vi } from 'vitest'
import { asked, eventually } from '@/testing'
import { patient, WAITING } from './again'

const away = (code = 'away') =>
  new Response(JSON.stringify({ code }), { status: 503, headers: { 'Retry-After': '2' } })
const question = (method: string) => new Request('http://here/api/cards', { method })

describe('a question while the database is away', () => {
  const waits: boolean[] = []
  window.addEventListener(WAITING, (event) => waits.push((event as CustomEvent<boolean>).detail))
  beforeEach(() => {
    waits.length = 0
    vi.useFakeTimers({ toFake: ['setTimeout'] })
    return () => vi.useRealTimers()
  })
  const turn = async (at: number, answer: Response | object) => {
    await eventually(() => expect(asked.length).toBe(at + 1))
    void asked[at]!.answer(answer)
    await vi.advanceTimersByTimeAsync(2000)
  }

  it('is asked again until there is an answer, also where it writes', async () => {
    const answer = patient(question('POST'))
    await turn(0, away())
    await turn(1, away())
    await turn(2, { id: 5 })
    expect(await (await answer).json()).toEqual({ id: 5 })
    expect(waits).toEqual([true, true, false])
  })

  it('is not written twice where it may have been kept, but read again', async () => {
    const written = patient(question('POST'))
    await turn(0, away('lost_midway'))
    expect((await written).status).toBe(503)
    const read = patient(question('GET'))
    await turn(1, away('lost_midway'))
    await turn(2, { id: 6 })
    expect((await read).status).toBe(200)
  })

  it('is not asked again for other reasons, nor for ever', async () => {
    const full = patient(question('GET'))
    await turn(0, new Response('{}', { status: 503 }))
    expect((await full).status).toBe(503)
    const never = patient(question('GET'))
    for (let at = 1; at <= 61; at++) await turn(at, away())
    expect((await never).status).toBe(503)
  })
})
