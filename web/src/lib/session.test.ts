import { describe, expect, it, vi } from 'vitest'
import { nextTick } from 'vue'
import { asked, settled } from '@/testing'
import { useSession } from './session'
import { inWords } from './words'

const ann = { name: 'Ann', units: 'in', surround: 'mid', only_owned: true, dark_first: false }

describe('who is signed in', () => {
  it('is asked once, however many pages want to know', async () => {
    const session = useSession()
    const [one, other] = [session.ready(), session.ready()]
    await settled()
    expect(asked.map((each) => each.path)).toEqual(['/api/door'])
    await asked[0]!.answer({ person: ann, demo: true, phrases: { same: 'same to the eye' } })
    await Promise.all([one, other])
    expect([session.person!.name, session.demo, session.onlyOwned]).toEqual(['Ann', true, true])
    expect(['same', 'very-near'].map(inWords)).toEqual(['same to the eye', 'very near'])
    await session.ready()
    expect(asked).toHaveLength(1)
  })

  it('is asked again after the network was gone', async () => {
    const session = useSession()
    const failed = session.ready().catch((error: unknown) => error)
    await settled()
    await asked[0]!.fail()
    expect(await failed).toMatchObject({ code: 'offline' })
    const again = session.ready()
    await settled()
    await asked[1]!.answer({ person: null, demo: false, phrases: {} })
    await again
    expect([session.person, session.onlyOwned]).toEqual([null, false])
  })

  it('signs up or in, and the page takes their surround', async () => {
    const session = useSession()
    const up = session.signIn('Ann', 'long-enough-9', true, 'come-in')
    await settled()
    expect([asked[0]!.path, asked[0]!.body]).toEqual([
      '/api/sign-up',
      { name: 'Ann', password: 'long-enough-9', invitation: 'come-in' },
    ])
    await asked[0]!.answer(ann)
    await up
    await nextTick()
    expect(document.documentElement.dataset.surround).toBe('mid')
    void session.nextSurround()
    await settled()
    expect([asked[1]!.method, asked[1]!.body]).toEqual(['PATCH', { surround: 'dark' }])
    await asked[1]!.answer({ ...ann, surround: 'dark' })
    await nextTick()
    expect(document.documentElement.dataset.surround).toBe('dark')
    void session.nextSurround()
    await settled()
    expect(asked[2]!.body).toEqual({ surround: 'light' })
  })

  it('leaves with a whole new page', async () => {
    const left = vi.spyOn(location, 'assign').mockImplementation(() => {})
    const forgotten = vi.fn(async () => true)
    vi.stubGlobal('caches', { delete: forgotten })
    const out = useSession().signOut()
    await settled()
    expect(left).not.toHaveBeenCalled()
    await asked[0]!.answer(new Response(null, { status: 204 }))
    await out
    expect(left).toHaveBeenCalledWith('/sign-in')
    expect(forgotten).toHaveBeenCalledWith('mine') // what was kept for work without a network
    vi.unstubAllGlobals()
  })
})
