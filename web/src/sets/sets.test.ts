import { describe, expect, it, vi } from 'vitest'
import { defineComponent, h, nextTick, provide, ref } from 'vue'
import { createMemoryHistory, createRouter } from 'vue-router'
import type { CardSet } from '@/api/client'
import { asked, onPage, question, settled, eventually } from '@/testing'
import CardsOfSet from './CardsOfSet.vue'
import SetTogether from './SetTogether.vue'
import { SET, type HowMany } from './set'

vi.mock('@/drawing/DeskCard.vue', () => ({ default: { template: '<p />' } }))

const router = () =>
  createRouter({
    history: createMemoryHistory(),
    routes: [{ path: '/:rest(.*)*', component: { template: '<p />' } }],
  })
const member = (id: number, name: string, differs: string[] = []) => ({
  id,
  name,
  version: id + 10,
  count: 1,
  desk: {},
  strip: [],
  failing: 0,
  differs,
})
const made = (told: object = {}) =>
  ({
    id: 7,
    name: 'Herons',
    version: 3,
    count: 3,
    cards: [member(1, 'Heron'), member(2, 'at dusk', ['mat differs in reveal']), member(3, 'red')],
    broken: [],
    alike: [
      {
        first: 1,
        second: 2,
        shared: 9,
        names: ['Wherry TARN-5'],
        off: 1.25,
        words: 'the same pattern in greys',
      },
    ],
    shopping: [],
    ...told,
  }) as unknown as CardSet

/** The set's page inside a frame that keeps what is answered. */
async function opened(told: object = {}) {
  const set = ref<CardSet | null>(made(told))
  const doing = async (ask: (id: number, version: number) => Promise<CardSet>) => {
    try {
      set.value = await ask(set.value!.id, set.value!.version)
      return true
    } catch {
      return false
    }
  }
  const Frame = defineComponent({
    setup() {
      provide(SET, { set, doing })
      return () => h(SetTogether)
    },
  })
  return { place: await onPage(Frame, {}, router()), set }
}

describe('a set together', () => {
  it('says how alike its cards are, what they share, and that nothing is to get', async () => {
    const { place } = await opened()
    expect(place.textContent).toContain('the same pattern in greys')
    expect(place.textContent).toContain('9 supplies in both')
    expect(place.textContent).toContain('Nothing: all of it is in the drawer')
    expect(place.textContent).toContain('Built otherwise in 1 thing')
    expect(place.textContent).toContain('Built as the first.')
  })

  it('carries the build of the first to one that differs, with the version that was seen', async () => {
    const { place, set } = await opened()
    const button = [...place.querySelectorAll('button')].find((one) =>
      one.textContent!.includes('Build it as the first: at dusk'),
    )!
    button.click()
    const sent = await question(0)
    expect([sent.path, sent.body]).toEqual([
      '/api/sets/7/carry',
      { cards: [{ card: 2, version: 12 }] },
    ])
    await sent.answer(made({ version: 4, cards: [member(1, 'Heron'), member(2, 'at dusk')] }))
    await settled()
    expect(set.value!.version).toBe(4)
    expect(place.textContent).not.toContain('Built otherwise')
  })

  it('makes more of a card, and shows what there was where that is refused', async () => {
    const { place, set } = await opened()
    const field = place.querySelectorAll<HTMLInputElement>('input[type=number]')[1]!
    field.value = '500'
    field.dispatchEvent(new Event('change'))
    const sent = await question(0)
    expect(sent.body).toEqual({
      version: 3,
      cards: [
        { card: 1, count: 1 },
        { card: 2, count: 500 },
        { card: 3, count: 1 },
      ],
    })
    await sent.answer({ code: 'bad_input', message: 'too many', problems: [] }, 400)
    await eventually(() => expect(field.value).toBe('1'))
    expect(set.value!.version).toBe(3)
  })
})

describe('cards of a set', () => {
  it('are ticked, counted and put first', async () => {
    const kept: HowMany[][] = []
    const make = async (cards: HowMany[]) => {
      kept.push(cards.map((one) => ({ ...one })))
      return false
    }
    const props = { title: 'Cards', act: 'Keep', there: [{ card: 1, count: 2 }], make }
    await onPage(CardsOfSet, props, router())
    await eventually(() => expect(asked).toHaveLength(1))
    await asked[0]!.answer({ cards: [1, 2].map((id) => ({ id, name: `card ${id}` })), broken: [] })
    const page = document.body
    await eventually(() => expect(page.textContent).toContain('card 2'))
    page.querySelectorAll<HTMLInputElement>('input[type=checkbox]')[1]!.click()
    await nextTick()
    const first = [...page.querySelectorAll('button')].find((one) =>
      one.textContent!.includes('Make it first: card 2'),
    )!
    first.click()
    await nextTick()
    page.querySelector('form')!.dispatchEvent(new Event('submit', { cancelable: true }))
    await eventually(() => expect(kept).toHaveLength(1))
    expect(kept[0]).toEqual([
      { card: 2, count: 1 },
      { card: 1, count: 2 },
    ])
  })
})
