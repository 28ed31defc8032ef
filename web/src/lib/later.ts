import { defineStore } from 'pinia'
import { computed, ref } from 'vue'
import { useNotices } from './notices'

/** What is deleted once it can no longer be taken back: until then it is only not shown. */
export const useLater = defineStore('later', () => {
  const notices = useNotices()
  const waiting = ref<{ what: string; run: () => Promise<unknown> }[]>([])
  const WAIT = 8000 // ms: as long as the notice can be read, and a little more

  async function carryOut(what: string) {
    const one = waiting.value.find((other) => other.what === what)
    if (!one) return
    try {
      await one.run()
    } catch (error) {
      notices.fail(error)
    }
    takeBack(what)
  }
  const takeBack = (what: string) =>
    void (waiting.value = waiting.value.filter((one) => one.what !== what))
  /** `what` names it on this page, such as “paper 4”; it goes for good when the page is left. */
  function remove(what: string, words: string, run: () => Promise<unknown>) {
    waiting.value = [...waiting.value, { what, run }]
    notices.show(words, false, { words: 'Take it back', run: () => takeBack(what) })
    window.setTimeout(() => void carryOut(what), WAIT)
  }
  window.addEventListener('pagehide', () => waiting.value.forEach((one) => void carryOut(one.what)))
  return { remove, gone: computed(() => new Set(waiting.value.map((one) => one.what))) }
})
