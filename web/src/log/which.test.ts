import { describe, expect, it, vi } from 'vitest'
import { createMemoryHistory, createRouter } from 'vue-router'
import { asked, onPage, question, settled } from '@/testing'
import MarkLow from './MarkLow.vue'
import WhichPage from './WhichPage.vue'

vi.mock('@/drawing/SwatchShape.vue', () => ({ default: { template: '<i />' } }))

const guess = (label: string, known: string, sure: number) => ({
  swatch: { id: 1, label, range_name: 'Wherry', medium: 'alcohol marker' },
  layers: 2,
  sure,
  distance: 1.2,
  known,
})
const answer = (more: object = {}) => ({
  preview: 'data:image/png;base64,',
  width: 300,
  height: 200,
  known: null,
  uncertainty: 5,
  hex: '',
  lab: [],
  uneven: false,
  guesses: [],
  ...more,
})

async function opened(address: string) {
  const router = createRouter({
    history: createMemoryHistory(),
    routes: [{ path: '/:rest(.*)*', component: WhichPage }],
  })
  await router.push(address)
  return onPage(WhichPage, {}, router)
}

describe('which was it', () => {
  it('asks of the first photo of a record, and says so where nothing white is in it', async () => {
    const place = await opened('/log/which?record=4')
    expect(asked[0]!.path).toBe('/api/records/4')
    await asked[0]!.answer({ id: 4, name: 'Heron', photos: [{ id: 9, address: '/x' }] })
    expect((await question(1)).path).toBe('/api/which')
    await (await question(1)).answer(answer())
    expect(place.textContent).toContain('Nothing white was found')
    expect(place.textContent).toContain('A photo tells colours only roughly')
    expect(place.textContent).not.toContain('It may have been')
  })

  it('tells what it may have been, how sure, and why it comes first', async () => {
    const place = await opened('/log/which?record=4')
    await asked[0]!.answer({ id: 4, name: 'Heron', photos: [{ id: 9, address: '/x' }] })
    const guesses = [guess('CLAY-4', 'noted', 0.53), guess('CLAY-3', 'owned', 0.4)]
    await (await question(1)).answer(answer({ hex: '#aa7755', lab: [60, 20, 20], guesses }))
    const listed = [...place.querySelectorAll('ol > li')].map((one) => one.textContent)
    expect(listed[0]).toContain('CLAY-4')
    expect(listed[0]).toContain('recorded for this card; in 2 layers')
    expect(listed[0]).toMatch(/53\s%/)
    expect(listed[1]).toContain('in my drawer')
  })

  it('begins with a file where no record is named', async () => {
    const place = await opened('/log/which')
    expect(asked).toHaveLength(0)
    expect(place.textContent).toContain('Choose a photo of the card')
  })
})

describe('a supply in the drawer', () => {
  it('is marked low with one press, and then only says so', async () => {
    const place = await onPage(MarkLow, { id: 7, label: 'CLAY-4', fullness: 'full' })
    place.querySelector('button')!.click()
    await settled()
    expect(asked[0]!.path).toBe('/api/drawer')
    await asked[0]!.answer({})
    expect(place.textContent).toContain('running low')
    expect(place.querySelector('button')).toBeNull()
  })
})
