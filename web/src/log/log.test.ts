import { describe, expect, it, vi } from 'vitest'
import { createMemoryHistory, createRouter } from 'vue-router'
import { useNotices } from '@/lib/notices'
import { asked, onPage, settled } from '@/testing'
import LogPage from './LogPage.vue'
import RecordPage from './RecordPage.vue'

// A frame would ask the network.
vi.mock('@/ui/RecipeSheet.vue', () => ({ default: { template: '<p />' } }))

const nowhere = { template: '<p />' }
async function opened(page: typeof LogPage, address: string) {
  const router = createRouter({
    history: createMemoryHistory(),
    routes: [
      { path: '/log', component: LogPage },
      { path: '/log/supplies', component: nowhere },
      { path: '/log/:id', component: RecordPage },
      { path: '/cards/:id?', component: nowhere },
    ],
  })
  await router.push(address)
  return { router, place: await onPage(page, {}, router) }
}
const summary = (id: number, made: string, name: string) => ({
  id,
  made,
  name,
  count: 1,
  occasion: 'thank you',
  person: 'Ida',
  picture: null,
  shades: ['#112233'],
})
const found = (...records: unknown[]) => ({
  records,
  total: records.length,
  more: false,
  years: [2026, 2025],
})

describe('the log', () => {
  it('keeps what is looked for in the address, and asks for just that', async () => {
    const { router, place } = await opened(LogPage, '/log?words=greys&year=2026')
    expect(asked[0]!.path).toBe('/api/records')
    await asked[0]!.answer(
      found(summary(3, '2026-04-20', 'Heron'), summary(2, '2026-04-02', 'Otter')),
    )
    expect(place.querySelector('input')!.value).toBe('greys')
    const april = place.querySelectorAll('ol > li')[3]!
    expect(april.textContent).toContain('Apr 2')
    expect(april.querySelectorAll('a')).toHaveLength(2)
    place.querySelector('input')!.value = 'mist'
    place.querySelector('input')!.dispatchEvent(new Event('input'))
    place.querySelector('form')!.dispatchEvent(new Event('submit'))
    await settled()
    expect(router.currentRoute.value.query).toEqual({ words: 'mist', year: '2026' })
    expect(asked).toHaveLength(2)
  })

  it('tells an empty log from one where nothing is so', async () => {
    const empty = await opened(LogPage, '/log')
    await asked[0]!.answer(found())
    expect(empty.place.textContent).toContain('Nothing is written down yet')
    const none = await opened(LogPage, '/log?label=REED-4&range=Wherry')
    await asked[1]!.answer(found())
    expect(none.place.textContent).toContain('Where REED-4 of Wherry was used')
    expect(none.place.textContent).toContain('Fewer words find more')
  })
})

describe('a record', () => {
  const made = {
    ...summary(7, '2026-04-20', 'Heron'),
    version: 2,
    card: null,
    went_well: '',
    to_change: '',
    instead: [
      { of: 'Colour', was: 'A', label: 'B', range: 'R', medium: 'm', shade: '#000000', hue: 'x' },
      { of: 'Ink', was: 'C', label: 'D', range: 'R', medium: 'm', shade: '#000000', hue: 'x' },
    ],
    times: [],
    uses: [],
    photos: [],
    most_photos: 6,
  }

  it('is saved with the version that was seen, and takes back one thing at a time', async () => {
    const { place } = await opened(RecordPage, '/log/7')
    await asked[0]!.answer(made)
    expect(place.textContent).not.toContain('The card as it is now') // it was deleted
    const [first] = place.querySelectorAll<HTMLButtonElement>('[aria-label^="Take back"]')
    first!.click()
    await settled()
    expect(asked[1]!.method).toBe('PUT')
    expect(asked[1]!.body).toMatchObject({ version: 2, made: '2026-04-20', person: 'Ida' })
    expect((asked[1]!.body!.instead as { label: string }[]).map((one) => one.label)).toEqual(['D'])
    await asked[1]!.answer({ ...made, version: 3, instead: made.instead.slice(1) })
    expect(place.querySelectorAll('[aria-label^="Take back"]')).toHaveLength(1)
  })

  it('says it where another window was quicker, and keeps what was typed', async () => {
    const { place } = await opened(RecordPage, '/log/7')
    await asked[0]!.answer(made)
    const field = place.querySelector<HTMLTextAreaElement>('textarea')!
    field.value = 'the mist'
    field.dispatchEvent(new Event('input'))
    place.querySelector('form')!.dispatchEvent(new Event('submit'))
    await settled()
    await asked[1]!.answer({ code: 'stale', message: 'Changed elsewhere.', problems: [] }, 409)
    expect(useNotices().list.map((one) => one.text)).toEqual(['Changed elsewhere.'])
    expect(place.querySelector('textarea')!.value).toBe('the mist')
  })

  it('that is not there is said to be so', async () => {
    const { place } = await opened(RecordPage, '/log/9')
    await asked[0]!.answer({ code: 'not_found', message: 'Nothing.', problems: [] }, 404)
    expect(place.textContent).toContain('Nothing here')
  })
})
