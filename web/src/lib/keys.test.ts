import { inSetup } from '@/testing'
import { describe, expect, it, vi } from 'vitest'
import { useKeys } from './keys'
import { useNotices } from './notices'

function press(key: string, on: Element = document.body, how: KeyboardEventInit = {}) {
  const event = new KeyboardEvent('keydown', { key, bubbles: true, cancelable: true, ...how })
  on.dispatchEvent(event)
  return event.defaultPrevented
}

function inside(html: string) {
  document.body.innerHTML = html
  return document.body.querySelector('[data-here]')!
}

describe('a key', () => {
  it('does what it stands for, with and without Ctrl, ⌘ and Shift', () => {
    const keys = { n: vi.fn(), 'mod+z': vi.fn(), 'mod+shift+z': vi.fn() }
    inSetup(() => useKeys(keys))
    expect(press('n')).toBe(true)
    press('N') // with Shift a letter is a capital
    press('z', document.body, { ctrlKey: true })
    press('z', document.body, { metaKey: true })
    press('Z', document.body, { ctrlKey: true, shiftKey: true })
    expect(press('z')).toBe(false)
    expect(press('n', document.body, { altKey: true })).toBe(false)
    expect(Object.values(keys).map((one) => one.mock.calls.length)).toEqual([2, 2, 1])
  })

  it.each([
    '<input data-here />',
    '<textarea data-here></textarea>',
    '<select data-here></select>',
    '<p contenteditable data-here></p>',
    '<div role="dialog"><button data-here></button></div>',
    '<ul role="listbox"><li data-here></li></ul>',
  ])('typed in %s is left alone', (html) => {
    const n = vi.fn()
    inSetup(() => useKeys({ n }))
    expect(press('n', inside(html))).toBe(false)
    expect(n).not.toHaveBeenCalled()
  })

  it('is left alone while a dialog is open, and where its action has nothing to do', () => {
    const n = vi.fn(() => false)
    inSetup(() => useKeys({ n }))
    expect(press('n', inside('<button data-here></button>'))).toBe(false)
    useNotices().dialogs = 1
    press('n')
    expect(n).toHaveBeenCalledOnce()
  })

  it('means nothing once its page is left', () => {
    const n = vi.fn()
    inSetup(() => useKeys({ n })).unmount()
    press('n')
    expect(n).not.toHaveBeenCalled()
  })
})
