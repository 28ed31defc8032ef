import { describe, expect, it, vi } from 'vitest'
import { asked, inSetup, settled } from '@/testing'
import { usePasted, useProgress } from './reading'

describe('work that tells its progress', () => {
  it('is stopped by the next question, whose answer counts', async () => {
    const { step, problem, ask } = inSetup(useProgress)
    const first = ask<{ id: number }>('/api/papers/read', {})
    await settled()
    expect(step.value).toEqual({ share: 0, words: 'sending' })
    const second = ask<{ id: number }>('/api/papers/read', {})
    await settled()
    await asked[1]!.answer(new Response('{"id": 2}\n'))
    await asked[0]!.answer(new Response('{"id": 1}\n'))
    expect((await second)!.id).toBe(2)
    await first
    expect([step.value, problem.value]).toEqual([null, ''])
  })

  it('says what is wrong with what was sent', async () => {
    const { step, problem, ask } = inSetup(useProgress)
    const answer = ask('/api/papers/read', {})
    await settled()
    const told = { code: 'bad', message: 'The picture is damaged or cut off.', problems: [] }
    await asked[0]!.answer(told, 400)
    expect(await answer).toBe(null)
    expect([step.value, problem.value]).toEqual([null, 'The picture is damaged or cut off.'])
  })
})

describe('a picture that is pasted', () => {
  function paste(...types: string[]) {
    const files = types.map((type) => new File(['x'], `a.${type.split('/')[1]}`, { type }))
    const event = new Event('paste') as Event & { clipboardData: { files: File[] } }
    event.clipboardData = { files }
    window.dispatchEvent(event)
  }

  it('is taken, text is not, and nothing once the page is left', () => {
    const take = vi.fn()
    const { unmount } = inSetup(() => {
      usePasted(take)
      return {}
    })
    paste('text/plain')
    expect(take).not.toHaveBeenCalled()
    paste('text/plain', 'image/png')
    expect(take.mock.lastCall![0].name).toBe('a.png')
    unmount()
    paste('image/png')
    expect(take).toHaveBeenCalledOnce()
  })
})
