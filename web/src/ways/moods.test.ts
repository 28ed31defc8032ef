import { expect, it } from 'vitest'
import { nextTick } from 'vue'
import type { Mood } from '@/api/client'
import { asked, onPage, settled, eventually } from '@/testing'
import MoodDialog from './MoodDialog.vue'

const shades = { colour: '#333', greys: '#333' }
const from = {
  key: 'heath',
  title: 'On the heath',
  about: 'Heather.',
  own: null,
  hues: [
    { middle: 335.4, reach: 16, shades },
    { middle: 110, reach: 14, shades },
  ],
  lightness: [22, 90],
  chroma: [0.03, 0.1],
} as unknown as Mood

it('a season is tried as it is changed, and kept under its name', async () => {
  let kept = 0
  const question = { column: 'pad', owned: true }
  await onPage(MoodDialog, { from, question, onKept: () => (kept += 1) })
  await eventually(() => expect(asked).toHaveLength(1))
  const hues = [
    { middle: 335, reach: 16 },
    { middle: 110, reach: 14 },
  ]
  const said = { title: 'On the heath, mine', about: 'Heather.', lightness: [22, 90] }
  expect(asked[0]!.body).toEqual({
    ...said,
    hues,
    chroma: [0.03, 0.1],
    ...question,
    keep: false,
  })
  await asked[0]!.answer({ ...from, landing: null, missing: '' })
  const press = (words: string) =>
    [...document.querySelectorAll('button')]
      .find((one) => one.textContent!.includes(words))!
      .click()
  press('One more hue')
  await eventually(() => expect(asked).toHaveLength(2))
  expect(asked[1]!.body!.hues).toEqual([...hues, { middle: 230, reach: 10 }])
  await asked[1]!.answer({ code: 'bad_input', message: 'Too dark.', problems: [] }, 400)
  await settled()
  await nextTick()
  expect(document.body.textContent).toContain('Too dark.')
  document.querySelector('form')!.dispatchEvent(new Event('submit', { cancelable: true }))
  await eventually(() => expect(asked).toHaveLength(3))
  expect(asked[2]!.body!.keep).toBe(true)
  await asked[2]!.answer({ id: 4 }, 201)
  await eventually(() => expect(kept).toBe(1))
})
