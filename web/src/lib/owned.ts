import { computed } from 'vue'
import { useNotices } from './notices'
import { useSession } from './session'

/** “Only what I own”: one switch for every page, kept with the account. */
export function useOnlyOwned() {
  const session = useSession()
  const notices = useNotices()
  return computed({
    get: () => session.onlyOwned,
    set: (value) => void session.set({ only_owned: value }).catch(notices.fail),
  })
}
