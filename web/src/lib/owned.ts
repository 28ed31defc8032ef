import { computed, reactive } from 'vue'
import { useNotices } from './notices'
import { useSession } from './session'

type Place = 'cards' | 'ways' | 'colourways' | 'match' | 'range'
const PLACES: [RegExp, Place][] = [
  [/^\/cards\/ways/, 'ways'],
  [/^\/cards\/\d+\/colourways/, 'colourways'],
  [/^\/cards\/\d+/, 'cards'],
  [/^\/match/, 'match'],
  [/^\/supplies\/\d+/, 'range'],
]
/** The place that a page belongs to, if it has such a switch. */
export const placeOf = (path: string) => PLACES.find(([pattern]) => pattern.test(path))?.[1]

const said = reactive<Record<string, boolean>>({})

/**
 * “Only what I own”: a switch of the place where it stands, kept there. That of cards goes with the account,
 * for their tables are made by the server.
 */
export function useOnlyOwned(place: Place) {
  const session = useSession()
  const notices = useNotices()
  const name = computed(() => `only-owned ${session.person?.id ?? 0} ${place}`)
  return computed({
    get: () =>
      place === 'cards'
        ? session.onlyOwned
        : (said[name.value] ?? localStorage.getItem(name.value) === 'yes'),
    set: (value) => {
      if (place === 'cards') return void session.set({ only_owned: value }).catch(notices.fail)
      said[name.value] = value
      localStorage.setItem(name.value, value ? 'yes' : 'no')
    },
  })
}
