import { createSharedComposable, useLocalStorage, useMediaQuery } from '@vueuse/core'
import { computed } from 'vue'
import type { Shades } from '@/api/client'
import { useSession } from './session'

/**
 * How a screen's white stands beside a white card. A card that looks yellow there looks so because the screen
 * is bluer: `patch` is what the card is like, `words` what that says of the screen.
 */
export const WHITES = [
  { value: 'unknown', words: 'not looked at', patch: '', shade: '#ffffff' },
  { value: 'bluer', words: 'bluer than a white card', patch: 'yellowish', shade: '#ffedcc' },
  {
    value: 'little-bluer',
    words: 'a little bluer than a white card',
    patch: 'a little yellowish',
    shade: '#fff6e6',
  },
  { value: 'same', words: 'as a white card', patch: 'as white as the screen', shade: '#ffffff' },
  {
    value: 'little-yellower',
    words: 'a little yellower than a white card',
    patch: 'a little bluish',
    shade: '#eef3ff',
  },
  { value: 'yellower', words: 'yellower than a white card', patch: 'bluish', shade: '#dfe9ff' },
] as const
export type White = (typeof WHITES)[number]['value']

const DARKS_RUN = 2 // of the dark steps: who tells no more apart has a screen on which darks run together
const useWide = createSharedComposable(() => useMediaQuery('(color-gamut: p3)'))

/** What is known of this screen. It is kept on the device, as every screen is another. */
export function useScreen() {
  const white = useLocalStorage<White>('jindle-screen-white', 'unknown')
  const blacks = useLocalStorage<number>('jindle-screen-blacks', -1) // dark steps told from black
  const wide = useWide()
  const off = computed(() => white.value !== 'unknown' && white.value !== 'same')
  const words = computed(() => WHITES.find((one) => one.value === white.value)?.words ?? '')
  const darksRun = computed(() => blacks.value >= 0 && blacks.value <= DARKS_RUN)
  return { white, blacks, darksRun, wide, off, words }
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
