import { expect, it, vi } from 'vitest'
import { nextTick } from 'vue'
import { createMemoryHistory, createRouter } from 'vue-router'
import { useSession } from '@/lib/session'
import { asked, onPage } from '@/testing'
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
})
async function opened(cards: object[]) {
  useSession().person = { name: 'Ann', units: 'in' } as never
  const router = createRouter({
    history: createMemoryHistory(),
    routes: [{ path: '/:rest(.*)*', component: { template: '<p />' } }],
  })
  const place = await onPage(CardsPage, {}, router)
  await vi.waitFor(() => expect(asked.length).toBeGreaterThan(0))
  await asked[0]!.answer({ cards, broken: [], sizes: [], more: false, count: cards.length })
  const names = () => [...place.querySelectorAll('h2')].map((one) => one.textContent!.trim())
  return { place, names }
}

it('many cards are looked for by parts of their names, and few are not', async () => {
  const many = ['Heron', 'Moth at dusk', 'Snail', 'Teapot', 'Anchor', 'Gull', 'Heron at dusk']
  const { place, names } = await opened(many.map((name, n) => card(n + 1, name)))
  expect(names()).toEqual(many)
  const field = place.querySelector<HTMLInputElement>('input[type=search]')!
  field.value = 'dusk her'
  field.dispatchEvent(new Event('input'))
  await nextTick()
  expect(names()).toEqual(['Heron at dusk'])
  field.value = 'porridge'
  field.dispatchEvent(new Event('input'))
  await nextTick()
  expect(names()).toEqual([])
  expect(place.textContent).toContain('None of these cards has “porridge” in its name')
})

it('few cards are shown as they are', async () => {
  const { place, names } = await opened([card(1, 'Heron'), card(2, 'Moth')])
  expect(names()).toEqual(['Heron', 'Moth'])
  expect(place.querySelector('input[type=search]')).toBeNull()
})

it('none at all open on the doors', async () => {
  const { place } = await opened([])
  expect(place.textContent).toContain('I have paper or a picture')
  expect(place.textContent).toContain('I have these supplies')
})
