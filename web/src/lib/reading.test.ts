import { describe, expect, it, vi } from 'vitest'
import { asked, inSetup, settled } from '@/testing'
import { usePasted, usePictureReading, useProgress } from './reading'

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

describe('a picture that is read', () => {
  const page = () => {
    const told: string[] = []
    const found = inSetup(() =>
      usePictureReading<{ colours: number }>((_, ask) => ask('/api/papers/read', {}), {
        begin: (name) => told.push(`begins with ${name}`),
        came: (one) => told.push(`${one.colours} colours`),
      }),
    )
    return { ...found, told }
  }

  it('forgets what was said of the one before, and tells what came', async () => {
    const { take, reading, chosen, toggle, told } = page()
    take(new File(['x'], 'quay.stripes.png'))
    await settled()
    await asked.at(-1)!.answer(new Response('{"colours": 3}\n'))
    await settled()
    expect([reading.value, told]).toEqual([
      { colours: 3 },
      ['begins with quay.stripes', '3 colours'],
    ])
    toggle(1)
    toggle(2)
    toggle(1)
    expect(chosen.value).toEqual([2])
  })

  it('keeps what was read where it fails, and says why', async () => {
    const { take, read, reading, problem, busy, attempt } = page()
    take(new File(['x'], 'a.png'))
    await settled()
    await asked.at(-1)!.answer(new Response('{"colours": 3}\n'))
    await settled()
    void read()
    await settled()
    await asked
      .at(-1)!
      .answer({ code: 'bad', message: 'The picture is damaged.', problems: [] }, 400)
    await settled()
    expect([reading.value, problem.value, busy.value]).toEqual([
      { colours: 3 },
      'The picture is damaged.',
      false,
    ])
    expect(await attempt(() => Promise.reject(new Error('no room')))).toBe(null)
    expect(problem.value).toBe('Error: no room')
  })
})
