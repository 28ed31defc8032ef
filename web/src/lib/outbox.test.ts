import { describe, expect, it, vi } from 'vitest'
import { asked, inSetup, question, eventually } from '@/testing'
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

const people = {
  Ann: { id: 1, name: 'Ann', device_key: '0a'.repeat(32) },
  Ben: { id: 2, name: 'Ben', device_key: '0b'.repeat(32) },
}
function signIn(name: keyof typeof people) {
  useSession().person = people[name] as never
}
function signedIn() {
  localStorage.clear()
  signIn('Ann')
}
/** The door answers first: who is signed in, in whichever tab. */
async function atTheDoor(number: number, name: keyof typeof people = 'Ann') {
  const door = await question(number)
  expect(door.path).toBe('/api/door')
  await door.answer({ person: people[name] })
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
    await eventually(() => expect(outbox.count).toBe(2))
    expect([outbox.owned(4), outbox.asked(4)]).toEqual(['low', true])
    expect(outbox.owned(5)).toBeUndefined()
    const before = stale.value
    void outbox.send()
    await atTheDoor(2)
    const first = await question(3)
    expect(first.body).toEqual({ colours: [4], owned: true, fullness: 'low', note: 'the old one' })
    await first.answer({ colours: [4], entries: [] })
    expect((await question(4)).path).toBe('/api/shopping/asked')
    await asked[4]!.answer(null)
    await eventually(() => expect(outbox.count).toBe(0))
    expect(stale.value).toBe(before + 1)
    expect(useNotices().list.at(-1)!.text).toBe('2 marks kept on this device are sent.')
  })

  it('stays where there is still none', async () => {
    signedIn()
    const outbox = useOutbox()
    outbox.keep(step('base'))
    const sending = outbox.send()
    await atTheDoor(0)
    await (await question(1)).fail()
    await sending
    expect(outbox.count).toBe(1)
    expect(failures()).toEqual([])
  })

  it('stays where nobody is signed in any more, which is no refusal', async () => {
    signedIn()
    const outbox = useOutbox()
    outbox.keep(step('base'))
    const sending = outbox.send()
    await atTheDoor(0)
    await (await question(1)).answer({ code: 'not_authenticated', message: 'Sign in first.' }, 401)
    await sending
    expect([outbox.count, failures()]).toEqual([1, []])
  })

  it('goes on from the version that its own step before led to', async () => {
    signedIn()
    const outbox = useOutbox()
    outbox.keep(step('base'))
    outbox.keep(step('ink'))
    void outbox.send()
    await atTheDoor(0)
    await (await question(1)).answer({ version: 9 })
    expect((await question(2)).body).toMatchObject({ version: 9, key: 'ink' })
  })

  it('is told where the work went on elsewhere meanwhile, and holds up nothing else', async () => {
    signedIn()
    const outbox = useOutbox()
    outbox.keep(step('base'))
    outbox.keep({ kind: 'asked', id: 4, asked: true, words: 'MOSS-4 is on your shopping list.' })
    void outbox.send()
    const told = { code: 'stale', message: 'The work went on elsewhere.', problems: [] }
    await atTheDoor(0)
    await (await question(1)).answer(told, 409)
    await (await question(2)).answer(null)
    await eventually(() => expect(outbox.count).toBe(0))
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
    await eventually(() => expect(failures()).toHaveLength(1))
    expect(failures()[0]!.text).toContain('no room')
    expect([useOutbox().count, useOutbox().owned(4)]).toEqual([0, undefined])
    vi.unstubAllGlobals()
  })

  it('is each person’s own, and nobody else can read it', () => {
    signedIn()
    const outbox = useOutbox()
    outbox.keep(step('the secret base'))
    expect(JSON.stringify(localStorage)).not.toContain('secret')
    signIn('Ben')
    expect(outbox.count).toBe(0)
    localStorage.setItem('jindle-kept-2', localStorage.getItem('jindle-kept-1')!)
    signIn('Ann')
    expect(outbox.count).toBe(1)
    signIn('Ben')
    expect(outbox.count).toBe(0)
  })

  it('is taken over from where an older version kept it in the open', () => {
    localStorage.clear()
    localStorage.setItem('jindle-kept-Ann', JSON.stringify([step('base')]))
    signIn('Ann')
    expect(useOutbox().count).toBe(1)
    expect(Object.keys(localStorage)).toEqual(['jindle-kept-1'])
  })

  it('is never sent where another has signed in meanwhile', async () => {
    signedIn()
    const outbox = useOutbox()
    outbox.keep(step('base'))
    const sending = outbox.send()
    await atTheDoor(0, 'Ben')
    await sending
    expect([asked.length, outbox.count]).toEqual([1, 1])
    // And where it was asked too early, the server refuses what names another.
    const again = outbox.send()
    await atTheDoor(1)
    const mark = await question(2)
    expect(mark.person).toBe('1')
    await mark.answer({ code: 'another_person', message: 'Another is here.' }, 403)
    await again
    expect([outbox.count, failures()]).toEqual([1, []])
  })
})
