import { expect, it } from 'vitest'
import { createMemoryHistory, createRouter } from 'vue-router'
import { useNotices } from '@/lib/notices'
import { useSession } from '@/lib/session'
import { asked, onPage, question, eventually } from '@/testing'
import CardsPage from './CardsPage.vue'

const card = (id: number, name: string, failing = 0) => ({
  id,
  name,
  version: 1,
  size: null,
  strip: [],
  checks: 5,
  failing,
  doubtful: 0,
  current: true,
  picture: `/p/${id}`,
  how_far: 'idea',
  sets: 0,
  put_by: false,
})
const answer = (cards: object[], more: object = {}) => {
  const none = { idea: 0, making: 0, made: 0, set: 0, put_by: 0, deleted: 0 }
  const groups = { ...none, all: cards.length, ...more }
  return { cards, broken: [], sizes: [], more: false, count: cards.length, groups }
}
async function opened(cards: object[]) {
  useSession().person = { name: 'Ann', units: 'in' } as never
  const router = createRouter({
    history: createMemoryHistory(),
    routes: [{ path: '/:rest(.*)*', component: { template: '<p />' } }],
  })
  const place = await onPage(CardsPage, {}, router)
  await eventually(() => expect(asked.length).toBeGreaterThan(0))
  await asked[0]!.answer(answer(cards))
  const names = () => [...place.querySelectorAll('h2')].map((one) => one.textContent!.trim())
  return { place, names }
}

it('many cards are looked for by parts of their names, and few are not', async () => {
  const many = ['Heron', 'Moth at dusk', 'Snail', 'Teapot', 'Anchor', 'Gull', 'Heron at dusk']
  const { place, names } = await opened(many.map((name, n) => card(n + 1, name)))
  expect(names()).toEqual(many)
  const field = place.querySelector<HTMLInputElement>('input[type=search]')!
  field.value = 'porridge'
  field.dispatchEvent(new Event('input'))
  const looked = await question(1)
  expect(looked.query).toEqual({ page: '1', words: 'porridge', group: 'all', order: 'newest' })
  await looked.answer(answer([], { all: 7 }))
  expect(names()).toEqual([])
  expect(place.textContent).toContain('None of these cards has “porridge” in its name')
})

it('a deleted card is told and taken back from the notice', async () => {
  const { place } = await opened([card(1, 'Heron'), card(2, 'Moth')])
  place.querySelector<HTMLElement>('[aria-label="More of Heron"]')!.click()
  const item = () =>
    [...place.querySelectorAll('button')].find((one) => one.textContent!.trim() === 'Delete')
  await eventually(() => expect(item()).toBeDefined())
  item()!.click()
  const gone = await question(1)
  expect([gone.method, gone.path]).toEqual(['DELETE', '/api/cards/1'])
  await gone.answer(null, 200)
  await (await question(2)).answer(answer([card(2, 'Moth')], { deleted: 1 }))
  const notice = await eventually(() => {
    const last = useNotices().list.at(-1)
    expect(last?.text).toBe('“Heron” is deleted.')
    return last!
  })
  notice.act!.run()
  const back = await question(3)
  expect([back.method, back.path]).toEqual(['POST', '/api/cards/deleted/1'])
  await back.answer(null, 200)
  await (await question(4)).answer(answer([card(1, 'Heron'), card(2, 'Moth')]))
  expect(place.textContent).toContain('Heron')
})

it('few cards are shown as they are', async () => {
  const { place, names } = await opened([card(1, 'Heron'), card(2, 'Moth')])
  expect(names()).toEqual(['Heron', 'Moth'])
  expect(place.querySelector('input[type=search]')).toBeNull()
})

it('none at all open on the doors', async () => {
  const { place } = await opened([])
  await eventually(() => expect(place.textContent).toContain('I have paper or a picture'))
  expect(place.textContent).toContain('I have these supplies')
})
