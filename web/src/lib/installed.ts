import { useEventListener, useIntervalFn } from '@vueuse/core'
import { ref } from 'vue'
import { UNREACHED } from '@/api/client'
import { useOutbox } from './outbox'

const AGAIN = 5000 // ms between two looks while nothing answers

function askAgain() {
  const asked = performance.getEntriesByType('resource').map((one) => one.name)
  for (const url of new Set(asked))
    if (url.startsWith(`${location.origin}/api/`)) void fetch(url).catch(() => undefined)
}

/**
 * Opens without a network what was seen last, and sends what was kept meanwhile. A browser may forbid the one.
 * `reached` is what was found by asking: a machine without any network reaches the server that runs on itself.
 */
export function useInstalled() {
  const outbox = useOutbox()
  const reached = ref(true)
  const workers = navigator.serviceWorker
  // What was asked before the first worker was there is asked once more, so that it keeps it too.
  if (workers && !workers.controller)
    workers.addEventListener('controllerchange', () => askAgain(), { once: true })
  void workers?.register('/sw.js').catch(() => undefined)
  /** What failed to be sent just now is not what sends it again at once. */
  async function look(event?: Event) {
    try {
      await fetch('/sw.js', { method: 'HEAD', cache: 'no-store' })
      reached.value = true
      if (event?.type !== UNREACHED) await outbox.send()
    } catch {
      reached.value = false
    }
  }
  for (const event of ['online', 'offline', UNREACHED]) useEventListener(window, event, look)
  useEventListener(document, 'visibilitychange', () => document.hidden || void look())
  useIntervalFn(() => reached.value || void look(), AGAIN)
  void look()
  return reached
}
