import { defineStore } from 'pinia'
import { computed, ref, watch } from 'vue'
import { api, ApiError, got, type Fullness, type Press } from '@/api/client'
import { stale } from './fetched'
import { inTurn } from './inTurn'
import { useNotices } from './notices'
import { useSession } from './session'
import { plural } from './words'

/** What is pressed without a network; `words` say it to people. */
export type Mark = { words: string } & (
  | { kind: 'owned'; ids: number[]; fullness: Fullness | null; note?: string }
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

async function deliver(mark: Mark, version: number | undefined): Promise<number | undefined> {
  if (mark.kind === 'owned') {
    const { ids: colours, fullness, note } = mark
    const body = { colours, owned: fullness !== null, ...(fullness ? { fullness, note } : {}) }
    await got(api.POST('/api/drawer', { body }))
    return
  }
  if (mark.kind === 'asked') {
    const body = { colours: [mark.id], asked: mark.asked }
    await got(api.POST('/api/shopping/asked', { body }))
    return
  }
  const { of, place: id, press, key } = mark
  const body = { version: version ?? mark.version, press, key, minutes: 0, go_on: false }
  const plan = await got(
    api.POST(`/api/${of}/{id}/plan/presses`, { params: { path: { id } }, body }),
  )
  return plan.version
}

/** Marks that wait on this device until there is a network: each person's by themselves, in their order. */
export const useOutbox = defineStore('outbox', () => {
  const session = useSession()
  const notices = useNotices()
  const shelf = () => `jindle-kept-${session.person?.name ?? ''}`
  const marks = ref<Mark[]>([])
  watch(shelf, () => (marks.value = read()), { immediate: true, flush: 'sync' })
  const takeTurn = inTurn()

  function read(): Mark[] {
    try {
      const kept = JSON.parse(localStorage.getItem(shelf()) ?? '[]')
      return Array.isArray(kept) ? kept : []
    } catch {
      return []
    }
  }
  /** Throws where the device keeps nothing: then nothing is said to be kept. */
  function write(now: Mark[]) {
    try {
      localStorage.setItem(shelf(), JSON.stringify(now))
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
  /** All of it, in order. What is refused meanwhile is told, and does not hold up the rest. */
  const send = () => takeTurn(() => alone(sendAll))
  async function sendAll() {
    const versions = new Map<string, number>()
    const refused: string[] = []
    let sent = 0
    while ((marks.value = read()).length) {
      const mark = marks.value[0]!
      const at = mark.kind === 'step' ? `${mark.of} ${mark.place}` : ''
      try {
        const version = await deliver(mark, versions.get(at))
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
  const asked = (id: number) => last('asked', (one) => one.id === id)?.asked
  const steps = (of: string, place: number) =>
    marks.value.filter((one) => one.kind === 'step' && one.of === of && one.place === place)
  return { marks, count: computed(() => marks.value.length), keep, send, owned, asked, steps }
})
