import { onBeforeUnmount, onMounted, ref, shallowRef } from 'vue'
import { ApiError } from '@/api/client'
import { follow } from '@/api/stream'

type Step = { share?: number; words?: string }

/** Work that tells its progress and can be stopped: a new question stops the one before. */
export function useProgress() {
  const step = ref<Step | null>(null)
  const problem = ref('')
  let stop: AbortController | null = null

  async function ask<T extends object>(path: string, body: FormData | object): Promise<T | null> {
    stop?.abort()
    const mine = (stop = new AbortController())
    step.value = { share: 0, words: 'sending' }
    problem.value = ''
    try {
      return await follow<T>(path, body, (line) => (step.value = line as Step), mine.signal)
    } catch (error) {
      if (!mine.signal.aborted)
        problem.value = error instanceof ApiError ? error.message : String(error)
      return null
    } finally {
      if (stop === mine) step.value = null
    }
  }
  function cancel() {
    stop?.abort()
  }
  onBeforeUnmount(cancel)
  return { step, problem, ask, cancel }
}

/** A picture that is pasted anywhere on the page. */
export function usePasted(take: (picture: File) => void) {
  function pasted(event: ClipboardEvent) {
    const picture = [...(event.clipboardData?.files ?? [])].find((one) =>
      one.type.startsWith('image/'),
    )
    if (picture) take(picture)
  }
  onMounted(() => window.addEventListener('paste', pasted))
  onBeforeUnmount(() => window.removeEventListener('paste', pasted))
}

type Ask = ReturnType<typeof useProgress>['ask']

/**
 * A picture that is read, anew whenever something is said otherwise, and then kept. `look` asks what is in it;
 * `begin` forgets what was said of the picture before; `came` follows what was read.
 */
export function usePictureReading<T extends object>(
  look: (picture: Blob, ask: Ask) => Promise<T | null>,
  { begin, came }: { begin: (name: string) => void; came?: (found: T) => void },
) {
  const { step, problem, ask, cancel } = useProgress()
  const file = shallowRef<Blob | null>(null)
  const reading = shallowRef<T | null>(null)
  const chosen = ref<number[]>([])
  const busy = ref(false)

  async function attempt<R>(act: () => Promise<R>): Promise<R | null> {
    busy.value = true
    problem.value = ''
    try {
      return await act()
    } catch (error) {
      problem.value = error instanceof ApiError ? error.message : String(error)
      return null
    } finally {
      busy.value = false
    }
  }
  /** Where it fails what was read stays, and so does what can still be undone. */
  async function read() {
    const picture = file.value
    const found = picture && (await attempt(() => look(picture, ask)))
    if (!found) return
    reading.value = found
    chosen.value = []
    came?.(found)
  }
  function take(picture: Blob, name = picture instanceof File ? picture.name : '') {
    file.value = picture
    begin(name.replace(/\.\w+$/, ''))
    void read()
  }
  function dropped(event: DragEvent) {
    const picture = event.dataTransfer?.files[0]
    if (picture) take(picture)
  }
  function toggle(place: number) {
    chosen.value = chosen.value.includes(place)
      ? chosen.value.filter((one) => one !== place)
      : [...chosen.value, place]
  }
  usePasted(take)
  return {
    file,
    reading,
    chosen,
    step,
    problem,
    busy,
    read,
    take,
    dropped,
    toggle,
    attempt,
    cancel,
  }
}
