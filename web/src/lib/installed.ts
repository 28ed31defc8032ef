import { useEventListener } from '@vueuse/core'
import { useOutbox } from './outbox'

/** Opens without a network what was seen last, and sends what was kept meanwhile. A browser may forbid the one. */
export function useInstalled() {
  const outbox = useOutbox()
  void navigator.serviceWorker?.register('/sw.js').catch(() => undefined)
  useEventListener(window, 'online', () => void outbox.send())
  useEventListener(document, 'visibilitychange', () => {
    if (!document.hidden) void outbox.send()
  })
  void outbox.send()
}
