import { defineStore } from 'pinia'
import { computed, ref, watch } from 'vue'
import { api, ApiError, got, type DrawerSaid, type Fullness, type Press } from '@/api/client'
import { stale } from './fetched'
import { inTurn } from './inTurn'
import { useNotices } from './notices'
import { useSession } from './session'
import { seal, unseal } from './sealed'
import { plural } from './words'

/** What is pressed without a network; `words` say it to people. */
export type Mark = { words: string } & (
  | ({ kind: 'owned'; ids: number[]; fullness: Fullness | null } & Omit<DrawerSaid, 'fullness'>)
  | { kind: 'asked'; id: number; asked: boolean }
  | {
      kind: 'step'
      of: 'cards' | 'sets'
      place: number
      version: number
      press: Press
      key: string
    }
)
const REFUSED = [400, 404, 409] // an answer that will not be another later, as one to who is not signed in may be
/** Two windows send one after the other, and none what the other has sent. */
const alone = async (job: () => Promise<void>) =>
  navigator.locks ? void (await navigator.locks.request('jindle-kept', job)) : job()
/** Whether nothing answered, which is no refusal. */
export const isOffline = (error: unknown) => error instanceof ApiError && error.status === 0

/** A mark goes to its own person alone: the server refuses it where another has signed in meanwhile. */
async function deliver(
  mark: Mark,
  version: number | undefined,
  person: number,
): Promise<number | undefined> {
  const headers = { 'X-Person': String(person) }
  if (mark.kind === 'owned') {
    // All that was said goes along; how full it is says whether it is there at all.
    const { kind, words, ids: colours, fullness, ...more } = mark
    const body = { colours, owned: fullness !== null, ...(fullness ? { ...more, fullness } : {}) }
    await got(api.POST('/api/drawer', { body, headers }))
    return
  }
  if (mark.kind === 'asked') {
    const body = { colours: [mark.id], asked: mark.asked }
    await got(api.POST('/api/shopping/asked', { body, headers }))
    return
  }
  const { of, place: id, press, key } = mark
  const body = { version: version ?? mark.version, press, key, minutes: 0, go_on: false }
  const plan = await got(
    api.POST(`/api/${of}/{id}/plan/presses`, { params: { path: { id } }, body, headers }),
  )
  return plan.version
}

/** Marks that wait on this device until there is a network: each person's by themselves, in their order. */
export const useOutbox = defineStore('outbox', () => {
  const session = useSession()
  const notices = useNotices()
  const shelf = () => (session.person ? `jindle-kept-${session.person.id}` : '')
  const marks = ref<Mark[]>([])
  watch(shelf, () => (marks.value = (closeOpen(), read())), { immediate: true, flush: 'sync' })
  const takeTurn = inTurn()

  /** What an older version kept in the open, under a name, is closed like the rest. */
  function closeOpen() {
    const open = `jindle-kept-${session.person?.name}`
    const kept = session.person && localStorage.getItem(open)
    if (!kept?.startsWith('[')) return
    try {
      write([...read(), ...JSON.parse(kept)])
      localStorage.removeItem(open)
    } catch {
      return // no room: it stays where it is
    }
  }
  function read(): Mark[] {
    const kept = session.person && localStorage.getItem(shelf())
    try {
      return kept ? (unseal(session.person!.device_key, kept) as Mark[]) : []
    } catch {
      return []
    }
  }
  /** Throws where the device keeps nothing: then nothing is said to be kept. */
  function write(now: Mark[]) {
    try {
      localStorage.setItem(shelf(), seal(session.person!.device_key, now))
    } catch {
      const words = 'There is no network, and this device has no room to keep it for later.'
      throw new ApiError(0, 'full', words)
    }
    marks.value = now
  }
  function keep(mark: Mark) {
    write([...read(), mark])
    notices.show(`${mark.words} Kept on this device; sent when there is a network.`)
  }
  /** Who is signed in by now, in whichever tab; nothing where nobody answers. */
  const whoIsThere = () =>
    got(api.GET('/api/door')).then(
      (door) => door.person?.id,
      () => undefined,
    )
  /** All of it, in order. What is refused meanwhile is told, and does not hold up the rest. */
  const send = () => takeTurn(() => alone(sendAll))
  async function sendAll() {
    const versions = new Map<string, number>()
    const refused: string[] = []
    let sent = 0
    const own = session.person?.id
    if (!own || !read().length || (await whoIsThere()) !== own) return
    while ((marks.value = read()).length) {
      const mark = marks.value[0]!
      const at = mark.kind === 'step' ? `${mark.of} ${mark.place}` : ''
      try {
        const version = await deliver(mark, versions.get(at), own)
        if (version !== undefined) versions.set(at, version)
        sent += 1
      } catch (error) {
        if (!(error instanceof ApiError) || !REFUSED.includes(error.status)) break
        refused.push(`${mark.words} ${error.message}`)
      }
      write(read().slice(1))
    }
    if (sent)
      notices.show(`${plural(sent, 'mark')} kept on this device ${sent === 1 ? 'is' : 'are'} sent.`)
    if (refused.length) notices.show(`Not marked: ${refused.join(' ')}`, true)
    if (sent || refused.length) stale.value += 1
  }
  const last = <K extends Mark['kind']>(
    kind: K,
    is: (mark: Extract<Mark, { kind: K }>) => boolean,
  ) =>
    marks.value
      .filter((one): one is Extract<Mark, { kind: K }> => one.kind === kind)
      .filter(is)
      .at(-1)
  /** How full a colour is said to be here; `null` for not mine, nothing where nothing waits. */
  const owned = (id: number) => last('owned', (one) => one.ids.includes(id))?.fullness
  /** The same of what was in the drawer when that was asked last. */
  function fullnessNow(swatch: { id: number; fullness: Fullness | null }) {
    const said = owned(swatch.id)
    return said === undefined ? swatch.fullness : said
  }
  const asked = (id: number) => last('asked', (one) => one.id === id)?.asked
  const steps = (of: string, place: number) =>
    marks.value.filter((one) => one.kind === 'step' && one.of === of && one.place === place)
  return {
    marks,
    count: computed(() => marks.value.length),
    keep,
    send,
    owned,
    fullnessNow,
    asked,
    steps,
  }
})
