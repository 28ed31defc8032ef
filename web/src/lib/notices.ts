import { defineStore } from 'pinia'
import { ref } from 'vue'
import { ApiError } from '@/api/client'

export type Notice = { id: number; text: string; failed: boolean }

/** Short messages that every page can show, read aloud by screen readers. */
export const useNotices = defineStore('notices', () => {
  const list = ref<Notice[]>([])
  // While a dialog is open the rest of the page is inert, so the dialog shows them.
  const dialogs = ref(0)
  let next = 1

  function show(text: string, failed = false) {
    list.value = [...list.value.slice(-2), { id: next++, text, failed }]
  }
  function fail(error: unknown) {
    show(error instanceof ApiError ? error.message : 'Something broke on this page.', true)
    if (!(error instanceof ApiError)) console.error(error)
  }
  function dismiss(id: number) {
    list.value = list.value.filter((notice) => notice.id !== id)
  }
  return { list, dialogs, show, fail, dismiss }
})
