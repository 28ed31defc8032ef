import { describe, expect, it, vi } from 'vitest'
import { createMemoryHistory, createRouter } from 'vue-router'
import { asked, onPage, question, settled } from '@/testing'
import ArrivingView from './ArrivingView.vue'
import LinksGiven from './LinksGiven.vue'
import ShareLink from './ShareLink.vue'

vi.mock('@/drawing/DeskCard.vue', () => ({ default: { template: '<p />' } }))

const nowhere = { template: '<p />' }
const router = () =>
  createRouter({
    history: createMemoryHistory(),
    routes: [{ path: '/:rest(.*)*', component: nowhere }],
  })
const follower = (id: string, labels: string[], note = '') => ({
  id,
  words: `wing ${id}`,
  before: [],
  after: [],
  labels,
  held: false,
  fixed: !labels.length,
  note,
})
const brought = (more: object = {}) => ({
  name: 'Heron',
  size: '5 × 7 in',
  before: {},
  after: {},
  pictures: [],
  followers: [],
  same: 2,
  supplies: 3,
  held: 4,
  otherwise: [],
  gives_way: [],
  lacking: [],
  drawings: [],
  ...more,
})
const press = async (place: HTMLElement, words: string) => {
  const button = [...place.querySelectorAll('button')].find((one) =>
    one.textContent!.includes(words),
  )!
  button.click()
  await settled()
}

describe('a recipe on its way', () => {
  const source = { token: 'abc' }

  it('says what takes the place of what, what is left out, and what gives way', async () => {
    const place = await onPage(ArrivingView, { source }, router())
    expect((await question(0)).path).toBe('/api/recipes')
    await (
      await question(0)
    ).answer(
      brought({
        followers: [follower('a', ['MOSS-1']), follower('b', [], 'there is no pad')],
        otherwise: [{ title: 'Pad 2 of the ground', words: 'the nearest, FEN-2, is far from it' }],
        gives_way: [{ title: 'Join of pads 1 and 2', words: 'goes muddy' }],
        drawings: ['heron'],
        lacking: ['MOSS-1 (not in the drawer)'],
      }),
    )
    expect(place.textContent).toContain('2 are among yours')
    expect(place.textContent).toContain('1 of 4 checks that held')
    expect(place.textContent).toContain('goes muddy')
    expect(place.textContent).toContain('Pad 2 of the ground: the nearest, FEN-2, is far')
    expect(place.textContent).toContain('MOSS-1')
    expect(place.textContent).toContain('wing b (there is no pad)')
    expect(place.textContent).toContain('comes the line drawing heron')
  })

  it('is asked for anew with the drawer alone, and keeps the name that was typed', async () => {
    const place = await onPage(ArrivingView, { source }, router())
    await (await question(0)).answer(brought())
    expect(place.textContent).toContain('all do here')
    const field = place.querySelector('input')!
    expect(field.value).toBe('Heron')
    field.value = 'My heron'
    field.dispatchEvent(new Event('input'))
    place.querySelector<HTMLElement>('[role=switch]')!.click()
    await (await question(1)).answer(brought({ name: 'Heron' }))
    expect(place.querySelector('input')!.value).toBe('My heron')
  })

  it('becomes a card with one press', async () => {
    const where = router()
    const place = await onPage(ArrivingView, { source }, where)
    await (await question(0)).answer(brought())
    place.querySelector('form')!.dispatchEvent(new Event('submit'))
    await settled()
    expect((await question(1)).path).toBe('/api/recipes/cards')
    await (await question(1)).answer({ id: 12 })
    expect(where.currentRoute.value.path).toBe('/cards/12/palette')
  })
})

describe('a link', () => {
  const link = { id: 5, name: 'Heron', address: '/shared/abc', created: '2026-11-20T10:00:00Z' }

  it('is off until it is made, and can be ended', async () => {
    const place = await onPage(ShareLink, { of: 'cards', id: 3 }, router())
    await asked[0]!.answer({ link: null })
    expect(place.textContent).toContain('nobody but you')
    await press(place, 'Share by a link')
    expect(asked[1]!.path).toBe('/api/cards/3/link')
    await asked[1]!.answer(link)
    await asked[2]!.answer({ link })
    expect(place.querySelector('input')!.value).toContain('/shared/abc')
    await press(place, 'End the link')
    expect(asked[3]!.path).toBe('/api/links/5')
  })

  it('of what was made is asked for under its record', async () => {
    await onPage(ShareLink, { of: 'records', id: 8 }, router())
    expect(asked[0]!.path).toBe('/api/records/8/link')
  })

  it('stands with all others where each can be ended', async () => {
    const place = await onPage(LinksGiven, {}, router())
    await asked[0]!.answer([link])
    expect(place.querySelector('a')!.textContent).toContain('Heron')
    await press(place, 'End')
    expect(asked[1]!.path).toBe('/api/links/5')
  })
})
