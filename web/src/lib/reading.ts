import { onBeforeUnmount, onMounted, ref } from 'vue'
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
