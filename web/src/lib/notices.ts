import { defineStore } from 'pinia'
import { ref } from 'vue'
import { ApiError } from '@/api/client'

/** What can be done about what is told, such as taking it back. */
export type Act = { words: string; run: () => unknown }
export type Notice = { id: number; text: string; failed: boolean; act?: Act }
const STAYS = 6000 // ms: about as long as it takes to read two lines

/** Short messages that every page can show, read aloud by screen readers; at most one of a kind. */
export const useNotices = defineStore('notices', () => {
  const list = ref<Notice[]>([])
  // While a dialog is open the rest of the page is inert, so the dialog shows them.
  const dialogs = ref(0)
  const held = ref(false) // pointed at or focused
  let next = 1

  function show(text: string, failed = false, act?: Act) {
    const id = next++
    list.value = [...list.value.filter((one) => one.failed !== failed), { id, text, failed, act }]
    if (!failed) window.setTimeout(() => leave(id), STAYS)
  }
  /** It goes by itself, but not while somebody reads it. */
  function leave(id: number) {
    if (held.value) window.setTimeout(() => leave(id), STAYS)
    else dismiss(id)
  }
  function fail(error: unknown) {
    show(error instanceof ApiError ? error.message : 'Something broke on this page.', true)
    if (!(error instanceof ApiError)) console.error(error)
  }
  function dismiss(id: number) {
    list.value = list.value.filter((notice) => notice.id !== id)
    if (!list.value.length) held.value = false
  }
  return { list, dialogs, held, show, fail, dismiss }
})
