import { describe, expect, it, vi } from 'vitest'
import { asked, inSetup, question } from '@/testing'
import { useDrawer } from './drawer'
import { stale } from './fetched'
import { useNotices } from './notices'
import { useOutbox, type Mark } from './outbox'
import { useSession } from './session'

const moss = { id: 4, label: 'MOSS-4' }
const step = (key: string): Mark => ({
  kind: 'step',
  of: 'cards',
  place: 7,
  version: 3,
  press: 'already',
  key,
  words: `“${key}” is done.`,
})
const failures = () => useNotices().list.filter((one) => one.failed)

function signedIn(name = 'Ann') {
  localStorage.clear()
  useSession().person = { name } as never
}

describe('what is pressed without a network', () => {
  it('is kept, counts here at once, and is sent in its order', async () => {
    signedIn()
    const drawer = inSetup(() => useDrawer(() => {}))
    const outbox = useOutbox()
    void drawer.keep(moss, 'low', 'the old one')
    await (await question(0)).fail()
    void drawer.want(moss, true)
    await (await question(1)).fail()
    await vi.waitFor(() => expect(outbox.count).toBe(2))
    expect([outbox.owned(4), outbox.asked(4)]).toEqual(['low', true])
    expect(outbox.owned(5)).toBeUndefined()
    const before = stale.value
    void outbox.send()
    const first = await question(2)
    expect(first.body).toEqual({ colours: [4], owned: true, fullness: 'low', note: 'the old one' })
    await first.answer({ colours: [4], entries: [] })
    expect((await question(3)).path).toBe('/api/shopping/asked')
    await asked[3]!.answer(null)
    await vi.waitFor(() => expect(outbox.count).toBe(0))
    expect(stale.value).toBe(before + 1)
    expect(useNotices().list.at(-1)!.text).toBe('2 marks kept on this device are sent.')
  })

  it('stays where there is still none', async () => {
    signedIn()
    const outbox = useOutbox()
    outbox.keep(step('base'))
    const sending = outbox.send()
    await (await question(0)).fail()
    await sending
    expect(outbox.count).toBe(1)
    expect(failures()).toEqual([])
  })

  it('stays where nobody is signed in any more, which is no refusal', async () => {
    signedIn()
    const outbox = useOutbox()
    outbox.keep(step('base'))
    const sending = outbox.send()
    await (await question(0)).answer({ code: 'not_authenticated', message: 'Sign in first.' }, 401)
    await sending
    expect([outbox.count, failures()]).toEqual([1, []])
  })

  it('goes on from the version that its own step before led to', async () => {
    signedIn()
    const outbox = useOutbox()
    outbox.keep(step('base'))
    outbox.keep(step('ink'))
    void outbox.send()
    await (await question(0)).answer({ version: 9 })
    expect((await question(1)).body).toMatchObject({ version: 9, key: 'ink' })
  })

  it('is told where the work went on elsewhere meanwhile, and holds up nothing else', async () => {
    signedIn()
    const outbox = useOutbox()
    outbox.keep(step('base'))
    outbox.keep({ kind: 'asked', id: 4, asked: true, words: 'MOSS-4 is on your shopping list.' })
    void outbox.send()
    const told = { code: 'stale', message: 'The work went on elsewhere.', problems: [] }
    await (await question(0)).answer(told, 409)
    await (await question(1)).answer(null)
    await vi.waitFor(() => expect(outbox.count).toBe(0))
    expect(failures()[0]!.text).toBe('Not marked: “base” is done. The work went on elsewhere.')
  })

  it('is not said to be kept where the device has no room', async () => {
    signedIn()
    const drawer = inSetup(() => useDrawer(() => {}))
    const full = () => {
      throw new DOMException('full', 'QuotaExceededError')
    }
    vi.stubGlobal('localStorage', { getItem: () => null, setItem: full })
    void drawer.keep(moss, 'full')
    await (await question(0)).fail()
    await vi.waitFor(() => expect(failures()).toHaveLength(1))
    expect(failures()[0]!.text).toContain('no room')
    expect([useOutbox().count, useOutbox().owned(4)]).toEqual([0, undefined])
    vi.unstubAllGlobals()
  })

  it('is each person’s own', () => {
    signedIn()
    const outbox = useOutbox()
    outbox.keep(step('base'))
    useSession().person = { name: 'Ben' } as never
    expect(outbox.count).toBe(0)
    useSession().person = { name: 'Ann' } as never
    expect(outbox.count).toBe(1)
  })
})
