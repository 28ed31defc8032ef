import { describe, expect, it, vi } from 'vitest'
import { nextTick, ref } from 'vue'
import { createMemoryHistory, createRouter } from 'vue-router'
import { onPage } from '@/testing'
import ColourwayCard from './ColourwayCard.vue'
import HeldThings from './HeldThings.vue'

vi.mock('@/drawing/DeskCard.vue', () => ({ default: { template: '<p />' } }))

const router = () =>
  createRouter({
    history: createMemoryHistory(),
    routes: [{ path: '/:rest(.*)*', component: { template: '<p />' } }],
  })
const one = {
  scheme: 'turned-hues',
  words: 'turned hues',
  turn: 90,
  choice: 0,
  desk: {},
  strip: [],
  held: 30,
  keeps: [
    { words: 'contrast, clean joins', how: 'as before' },
    { words: 'shading families', how: 'partly' },
  ],
  gives_way: [{ title: 'Family of wing', words: 'it jumps' }],
  supplies: 25,
  lacking: ['MILL-4 (not in the drawer)'],
}

describe('a proposal', () => {
  it('says what holds, what gives way and what is to get', async () => {
    const place = await onPage(ColourwayCard, { one, name: 'Heron' }, router())
    expect(place.textContent).toContain('29 of 30 checks still hold')
    expect(place.textContent).toContain('1 of 25 supplies to get')
    expect(place.textContent!.replace(/\s+/g, ' ')).toContain(
      'as before: contrast, clean joinspartly: shading families',
    )
    expect(place.textContent).toContain('Family of wing: it jumps')
    const whole = { ...one, gives_way: [], lacking: [] }
    const other = await onPage(ColourwayCard, { one: whole, name: 'Heron' }, router())
    expect(other.textContent).toContain('All 30 checks that held do')
    expect(other.textContent).toContain('All of it is in the drawer')
    expect(other.querySelector('details')).toBeNull()
  })

  it('is taken once, and then leads to the card', async () => {
    let taken = 0
    const props = { one, name: 'Heron', onTake: () => (taken += 1) }
    const place = await onPage(ColourwayCard, props, router())
    place.querySelector('button')!.click()
    expect(taken).toBe(1)
    const there = await onPage(ColourwayCard, { ...props, taken: 12 }, router())
    expect(there.querySelector('button')).toBeNull()
    expect(there.querySelector('a')!.getAttribute('href')).toBe('/cards/12/palette')
  })
})

describe('what is held', () => {
  it('is pressed and pressed again, and things that keep their hue are ticked', async () => {
    const held = ref<string[]>(['pad:0'])
    const things = ref<string[]>(['skin'])
    const props = {
      options: [
        { id: 'colour:1', words: 'beet', shades: null },
        { id: 'pad:0', words: 'pad 1', shades: null },
      ],
      keepers: ['skin', 'fur', 'leaf'].map((value) => ({ value, words: value })),
      held: held.value,
      things: things.value,
      'onUpdate:held': (now: string[]) => (held.value = now),
      'onUpdate:things': (now: string[]) => (things.value = now),
    }
    const place = await onPage(HeldThings, props, router())
    const [beet, pad] = place.querySelectorAll('button')
    expect(pad!.getAttribute('aria-pressed')).toBe('true')
    beet!.click()
    expect(held.value).toEqual(['pad:0', 'colour:1'])
    pad!.click()
    await nextTick()
    expect(held.value).not.toContain('pad:0')
    place.querySelectorAll('input')[2]!.dispatchEvent(new Event('change'))
    expect(things.value).toEqual(['skin', 'leaf'])
  })
})
