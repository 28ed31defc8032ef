import { expect, it } from 'vitest'
import { nextTick } from 'vue'
import { createMemoryHistory, createRouter } from 'vue-router'
import { onPage, eventually } from '@/testing'
import WordTip from './WordTip.vue'
import WordsPage from './WordsPage.vue'
import { WORDS, plainly } from './words'

const router = () =>
  createRouter({
    history: createMemoryHistory(),
    routes: [{ path: '/:rest(.*)*', component: { template: '<p />' } }],
  })

it('every word is explained once, in a line that does not need itself', () => {
  expect(new Set(WORDS.map((one) => one.word)).size).toBe(WORDS.length)
  for (const { word, plain } of WORDS) {
    expect(plain.length).toBeLessThan(150)
    expect(plain.endsWith('.')).toBe(true)
    expect(plain).not.toContain(word)
  }
})

it('is told where it stands, at a press', async () => {
  const place = await onPage(WordTip, { word: 'grain' }, router())
  expect(place.textContent).not.toContain('fibres')
  // What a browser tells of the press.
  const opens = Object.assign(new Event('beforetoggle'), { newState: 'open' })
  place.querySelector('[popover]')!.dispatchEvent(opens)
  await eventually(() => expect(place.textContent).toContain(plainly('grain')))
})

it('is found on the page of all words', async () => {
  const place = await onPage(WordsPage, {}, router())
  expect(place.querySelectorAll('dt')).toHaveLength(WORDS.length)
  const field = place.querySelector('input')!
  field.value = 'fibres'
  field.dispatchEvent(new Event('input'))
  await nextTick()
  expect([...place.querySelectorAll('dt')].map((one) => one.textContent)).toEqual(['grain'])
})

it('every word that stands somewhere with a tip is one of them', async () => {
  const files = import.meta.glob('../**/*.vue', { query: '?raw', import: 'default', eager: true })
  const told = Object.values(files).flatMap((text) =>
    [...String(text).matchAll(/<WordTip word="([^"]+)"/g)].map((found) => found[1]!),
  )
  expect(told.length).toBeGreaterThan(4)
  for (const word of told) expect(plainly(word), word).not.toBe('')
})
