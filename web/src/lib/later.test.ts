import { expect, it, vi } from 'vitest'
import { useLater } from './later'
import { useNotices } from './notices'

it('deletes once it cannot be taken back any more, or when the page is left', async () => {
  vi.useFakeTimers()
  const run = vi.fn(async () => undefined)
  const later = useLater()
  later.remove('paper 4', '“Moorings” is off the shelf.', run)
  expect([later.gone.has('paper 4'), run.mock.calls.length]).toEqual([true, 0])
  useNotices().list.at(-1)!.act!.run()
  expect(later.gone.has('paper 4')).toBe(false)
  await vi.runAllTimersAsync()
  expect(run).not.toHaveBeenCalled()
  later.remove('paper 5', '“Tiles” is off the shelf.', run)
  await vi.runAllTimersAsync()
  expect(run).toHaveBeenCalledTimes(1)
  later.remove('paper 6', '“Oars” is off the shelf.', run)
  window.dispatchEvent(new Event('pagehide'))
  await vi.runAllTimersAsync()
  expect(run).toHaveBeenCalledTimes(2)
  vi.useRealTimers()
})
