import { ref, type Ref } from 'vue'

/** Where something is laid beside what opens it: over everything, as lists that scroll would cut it off. */
export function useBeside(root: Ref<HTMLElement | null>, size: { high: number; wide: number }) {
  const place = ref({ top: '0px', left: '0px' })
  const EDGE = 8 // pixels that stay free at a side of the window
  /** Within the window; from its left edge, or `back` from its right one. */
  function lay(back = false) {
    const { bottom, left, right } = root.value!.getBoundingClientRect()
    const from = back ? right - size.wide : left
    const top = Math.max(Math.min(bottom + 4, window.innerHeight - size.high), 0)
    const most = window.innerWidth - size.wide - EDGE
    place.value = { top: `${top}px`, left: `${Math.max(Math.min(from, most), EDGE)}px` }
  }
  return { place, lay }
}
