import { onBeforeUnmount, onMounted } from 'vue'
import { useNotices } from './notices'

type Keys = Record<string, () => unknown>

/**
 * Answer keys for as long as the component is there. `mod+z` is Ctrl+Z or ⌘Z.
 * Keys typed into a field, or while a dialog is open, are left alone; so is a
 * key whose action answers `false`.
 */
export function useKeys(keys: Keys) {
  const notices = useNotices()
  function answer(event: KeyboardEvent) {
    if (event.defaultPrevented || event.altKey || notices.dialogs) return
    const target = event.target as HTMLElement
    if (target.closest('input, textarea, select, [contenteditable], [role=dialog], [role=listbox]'))
      return
    const mod = event.ctrlKey || event.metaKey ? 'mod+' : ''
    const shift = mod && event.shiftKey ? 'shift+' : ''
    const action = keys[mod + shift + event.key.toLowerCase()]
    if (action && action() !== false) event.preventDefault()
  }
  onMounted(() => window.addEventListener('keydown', answer))
  onBeforeUnmount(() => window.removeEventListener('keydown', answer))
}
