import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { ApiError } from '@/api/client'
import { useNotices } from './notices'

beforeEach(() => void vi.useFakeTimers())
afterEach(() => void vi.useRealTimers())
const texts = () => useNotices().list.map((one) => one.text)

describe('a notice', () => {
  it('goes by itself, a failure stays until it is dismissed', () => {
    const notices = useNotices()
    notices.show('Kept.')
    notices.fail(new ApiError(400, 'bad', 'A card has a name.'))
    expect(texts()).toEqual(['Kept.', 'A card has a name.'])
    vi.advanceTimersByTime(60_000)
    expect(texts()).toEqual(['A card has a name.'])
    notices.dismiss(notices.list[0]!.id)
    expect(texts()).toEqual([])
  })

  it('stays while it is pointed at', () => {
    const notices = useNotices()
    notices.show('Kept.')
    notices.held = true
    vi.advanceTimersByTime(60_000)
    expect(texts()).toEqual(['Kept.'])
    notices.held = false
    vi.advanceTimersByTime(60_000)
    expect(texts()).toEqual([])
  })

  it('takes the place of the one before of its kind', () => {
    const notices = useNotices()
    for (const text of ['one', 'two', 'three']) notices.show(text)
    notices.show('failed once', true)
    notices.show('failed twice', true)
    expect(texts()).toEqual(['three', 'failed twice'])
    // What went before does not take its successor along.
    vi.advanceTimersByTime(5999)
    notices.show('four')
    vi.advanceTimersByTime(2)
    expect(texts()).toEqual(['failed twice', 'four'])
  })

  it('of what broke on the page says so, and the console has it', () => {
    const console_ = vi.spyOn(console, 'error').mockImplementation(() => {})
    useNotices().fail(new TypeError('x is undefined'))
    expect(texts()).toEqual(['Something broke on this page.'])
    expect(console_).toHaveBeenCalledOnce()
  })
})
