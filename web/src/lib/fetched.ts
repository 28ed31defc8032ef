import { ref, shallowRef, watch, type WatchSource } from 'vue'
import { ApiError } from '@/api/client'
import { useNotices } from './notices'

/** Counts what was sent later than it was pressed: what pages show may be otherwise by now. */
export const stale = ref(0)

/**
 * What a question answers, asked anew whenever its sources change; a slow
 * answer never overtakes a later one. `null` while nothing is known; `missing`
 * where there is nothing under that address; `busy` while the answer is still that before.
 */
export function useFetched<T>(
  sources: WatchSource | WatchSource[],
  ask: () => Promise<T> | null | undefined,
) {
  const data = shallowRef<T | null>(null)
  const missing = ref(false)
  const problem = ref('')
  const busy = ref(false)
  const notices = useNotices()
  let asked = 0

  async function refresh() {
    const number = ++asked
    const question = ask()
    if (!question) {
      data.value = null
      return
    }
    busy.value = true
    try {
      const answer = await question
      if (number !== asked) return
      data.value = answer
      missing.value = false
      problem.value = ''
    } catch (error) {
      if (number !== asked) return
      data.value = null
      missing.value = error instanceof ApiError && error.status === 404
      problem.value = error instanceof ApiError ? error.message : ''
      if (!(error instanceof ApiError)) notices.fail(error)
    } finally {
      if (number === asked) busy.value = false
    }
  }
  watch([...[sources].flat(), stale], refresh, { immediate: true })
  return { data, missing, problem, busy, refresh }
}
