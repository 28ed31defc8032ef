import { describe, expect, it } from 'vitest'
import { asked, settled } from '@/testing'
import { api, ApiError, form, got } from './client'

describe('an answer', () => {
  it('that is no success is thrown as the server says it', async () => {
    const answer = got(api.GET('/api/me')).catch((error: unknown) => error)
    await settled()
    const problems = [{ message: 'Who?', field: 'name' }]
    await asked[0]!.answer({ code: 'not_authenticated', message: 'Who are you?', problems }, 401)
    const error = (await answer) as ApiError
    expect([error.status, error.code, error.message]).toEqual([
      401,
      'not_authenticated',
      'Who are you?',
    ])
    expect(error.problems).toEqual(problems)
  })

  it('that is no JSON has words all the same', async () => {
    const answer = got(api.GET('/api/me')).catch((error: unknown) => error)
    await settled()
    await asked[0]!.answer(new Response('<h1>Bad gateway</h1>', { status: 502 }))
    expect(((await answer) as ApiError).message).toBe('The server answered with 502 and no reason.')
  })
})

describe('a form', () => {
  it('leaves out what is empty, and writes lists and objects as JSON', () => {
    const file = new Blob(['x'])
    const made = form('/api/papers', {
      file,
      title: 'Rods',
      width: '',
      light: null,
      reference: 0,
      box: { left: 1 },
    })
    expect([...made.keys()]).toEqual(['file', 'title', 'reference', 'box'])
    expect(made.get('box')).toBe('{"left":1}')
    expect(made.get('reference')).toBe('0')
  })
})
