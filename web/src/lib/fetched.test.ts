import { flushPromises, inSetup } from '@/testing'
import { describe, expect, it, vi } from 'vitest'
import { ref } from 'vue'
import { ApiError } from '@/api/client'
import { useFetched } from './fetched'
import { useNotices } from './notices'

/** A question whose answers come when the test says so. */
function slow() {
  const waiting: { done: (value: string) => void; broken: (error: unknown) => void }[] = []
  const ask = () => new Promise<string>((done, broken) => waiting.push({ done, broken }))
  return { waiting, ask }
}

describe('what a question answers', () => {
  it('comes, and is busy until then', async () => {
    const { waiting, ask } = slow()
    const found = inSetup(() => useFetched(ref(0), ask))
    expect([found.data.value, found.busy.value]).toEqual([null, true])
    waiting[0]!.done('one')
    await flushPromises()
    expect([found.data.value, found.busy.value]).toEqual(['one', false])
  })

  it('never overtakes a later one', async () => {
    const { waiting, ask } = slow()
    const source = ref(0)
    const found = inSetup(() => useFetched(source, ask))
    source.value = 1
    await flushPromises()
    waiting[1]!.done('new')
    await flushPromises()
    waiting[0]!.done('old')
    await flushPromises()
    expect(found.data.value).toBe('new')
    source.value = 2
    await flushPromises()
    source.value = 3
    await flushPromises()
    waiting[2]!.broken(new ApiError(400, 'bad', 'Too late to matter.'))
    await flushPromises()
    expect([found.data.value, found.problem.value, found.busy.value]).toEqual(['new', '', true])
  })

  it('is nothing where nothing is asked', async () => {
    const source = ref(false)
    const { waiting, ask } = slow()
    const found = inSetup(() => useFetched(source, () => (source.value ? ask() : null)))
    source.value = true
    await flushPromises()
    waiting[0]!.done('there')
    await flushPromises()
    source.value = false
    await flushPromises()
    expect(found.data.value).toBe(null)
  })

  it('is missing at 404, has the words of other refusals, and tells what broke here', async () => {
    const { waiting, ask } = slow()
    const found = inSetup(() => useFetched(ref(0), ask))
    waiting[0]!.broken(new ApiError(404, 'not_found', 'Nothing here.'))
    await flushPromises()
    expect(found.missing.value).toBe(true)
    found.refresh()
    waiting[1]!.broken(new ApiError(400, 'bad', 'No such page.'))
    await flushPromises()
    expect([found.missing.value, found.problem.value]).toEqual([false, 'No such page.'])
    const told = useNotices()
    const quiet = vi.spyOn(console, 'error').mockImplementation(() => {})
    found.refresh()
    waiting[2]!.broken(new TypeError('a fault of ours'))
    await flushPromises()
    expect(told.list.map((one) => one.text)).toEqual(['Something broke on this page.'])
    expect(quiet).toHaveBeenCalledOnce()
  })
})
