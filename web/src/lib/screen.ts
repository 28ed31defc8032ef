import { createSharedComposable, useLocalStorage, useMediaQuery } from '@vueuse/core'
import { computed } from 'vue'
import type { Shades } from '@/api/client'
import { useSession } from './session'

/** How much redder or bluer than a white card a screen's white may be, as one sees it. */
export const WHITES = [
  { value: 'unknown', words: 'not looked at', shade: '#ffffff' },
  { value: 'bluer', words: 'bluer than the card', shade: '#dfe9ff' },
  { value: 'little-bluer', words: 'a little bluer', shade: '#eef3ff' },
  { value: 'same', words: 'as the card', shade: '#ffffff' },
  { value: 'little-yellower', words: 'a little yellower', shade: '#fff6e6' },
  { value: 'yellower', words: 'yellower than the card', shade: '#ffedcc' },
] as const
export type White = (typeof WHITES)[number]['value']

const useWide = createSharedComposable(() => useMediaQuery('(color-gamut: p3)'))

/** What is known of this screen. It is kept on the device, as every screen is another. */
export function useScreen() {
  const white = useLocalStorage<White>('jindle-screen-white', 'unknown')
  const blacks = useLocalStorage<number>('jindle-screen-blacks', -1) // dark steps told from black
  const wide = useWide()
  const off = computed(() => white.value !== 'unknown' && white.value !== 'same')
  const words = computed(() => WHITES.find((one) => one.value === white.value)?.words ?? '')
  return { white, blacks, wide, off, words }
}

/** The shade of a colour in the view that is on: the wide one where the screen shows more than sRGB. */
export function useShade() {
  const session = useSession()
  const wide = useWide()
  return (colour: { shades: Shades; wide: string | null }) =>
    session.view === 'colour' && wide.value && colour.wide
      ? colour.wide
      : colour.shades[session.view]
}
