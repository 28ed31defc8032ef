import { onBeforeUnmount, onMounted, ref } from 'vue'

/** False until a screen has been painted once: what is seen first need not wait for the rest of it. */
export function useSoon() {
  const soon = ref(false)
  let frame = 0
  // Of two frames, the first is called before that painting and the second after it.
  onMounted(() => {
    frame = requestAnimationFrame(
      () => (frame = requestAnimationFrame(() => void (soon.value = true))),
    )
  })
  onBeforeUnmount(() => cancelAnimationFrame(frame))
  return soon
}
