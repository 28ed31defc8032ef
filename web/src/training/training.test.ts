import { expect, it } from 'vitest'
import { nextTick } from 'vue'
import { createMemoryHistory, createRouter } from 'vue-router'
import { useSession } from '@/lib/session'
import { onPage, pinia, press, question, settled } from '@/testing'
import AnsweredView from './AnsweredView.vue'
import ChoiceQuestion from './ChoiceQuestion.vue'
import JoinQuestion from './JoinQuestion.vue'
import OrderQuestion from './OrderQuestion.vue'
import PractisePage from './PractisePage.vue'
import { finely, inOrder, letter, named } from './training'
import RegionCurve from './RegionCurve.vue'
import WeekCurve from './WeekCurve.vue'
import { placed } from './weeks'

const colour = (shade: string) => ({
  label: '',
  medium: 'gel pen',
  form: 'stroke',
  provenance: 'read',
  shade,
})
const plain = {
  token: 't',
  comes_back: false,
  session: 10,
  exercise: 'lighter-or-darker',
  title: 'Lighter or darker',
  prompt: 'Put them in order, the lightest first.',
  orders: true,
  ends: ['lightest', 'darkest'],
  view: 'colour',
  value_only: false,
  asks_kind: false,
  gap: 0,
  given: [],
  options: ['#111111', '#999999', '#eeeeee'].map((one) => ({ shown: [colour(one)], strip: [] })),
}
const words = (page: Element) => page.textContent!.replace(/\s+/g, ' ')
const buttons = (page: Element, name: RegExp) =>
  [...page.querySelectorAll('button')].filter((one) =>
    name.test(one.getAttribute('aria-label') ?? one.textContent!),
  )

it('puts things in the order in which they are pressed, and takes them back', async () => {
  const given: unknown[] = []
  const page = await onPage(
    OrderQuestion,
    { question: plain, onAnswer: (one: unknown) => given.push(one) },
    pinia,
  )
  const done = buttons(page, /That is my order/)[0]!
  for (const key of ['3', '1']) await press(key)
  expect(done.disabled).toBe(true)
  await press('1') // once more: it is taken back
  expect(await press('9')).toBe(false) // there are three
  for (const key of ['2', '1']) await press(key)
  done.click()
  expect(given).toEqual([{ places: [2, 1, 0], kind: null }])
  buttons(page, /^2: B, take it back/)[0]!.click()
  await nextTick()
  expect(done.disabled).toBe(true)
})

it('lays what is chosen into the gap of the family', async () => {
  const given: unknown[] = []
  const family = {
    ...plain,
    exercise: 'missing-tone',
    orders: false,
    gap: 1,
    given: [colour('#dddddd'), colour('#222222')],
  }
  const page = await onPage(
    ChoiceQuestion,
    { question: family, onAnswer: (one: unknown) => given.push(one) },
    pinia,
  )
  const tones = () =>
    [...page.querySelectorAll('ol li')].map((one) => (one as HTMLElement).style.background)
  expect(words(page)).toContain('missing')
  await press('2')
  expect(words(page)).not.toContain('missing')
  expect(tones()[1]).not.toBe('')
  buttons(page, /That is my choice/)[0]!.click()
  expect(given).toEqual([{ places: [1], kind: null }])
})

it('shows strips only after it was said how two pads meet', async () => {
  const given: unknown[] = []
  const pads = {
    ...plain,
    exercise: 'will-it-join',
    orders: false,
    asks_kind: true,
    given: [
      { ...colour('#dddd00'), label: 'ONE' },
      { ...colour('#2222ff'), label: 'TWO' },
    ],
    options: ['#777777', '#888888', '#999999'].map((one) => ({ shown: [], strip: [one, one] })),
  }
  const page = await onPage(
    JoinQuestion,
    { question: pads, onAnswer: (one: unknown) => given.push(one) },
    pinia,
  )
  expect(buttons(page, /strip/)).toHaveLength(0)
  await press('3')
  expect(buttons(page, /strip/)).toHaveLength(3)
  await press('2')
  buttons(page, /That is my choice/)[0]!.click()
  expect(given).toEqual([{ places: [1], kind: 'muddy' }])
})

const answered = {
  ...plain,
  measure: 'L*',
  right: false,
  kind: null,
  kind_given: null,
  kind_right: null,
  reason: '“PALE” is lighter than “DARK” (ΔL* 4.0 ± 0.7): both are grey',
  chance: 0.1667,
  places: [0, 1, 2],
  truth: [2, 1, 0],
  options: [
    ['DARK', '#111111', 10, 2],
    ['MID', '#999999', 60, 1],
    ['PALE', '#eeeeee', 95, 0],
  ].map(([label, shade, figure, rank]) => ({
    shown: [
      {
        ...colour(String(shade)),
        id: null,
        label,
        range_name: 'Tray',
        lab: [1, 0, 0],
        hue_name: 'grey',
        shades: {
          colour: shade,
          greys: shade,
          lamp: shade,
          protan: shade,
          deutan: shade,
          tritan: shade,
        },
      },
    ],
    strip: [],
    figure,
    sigma: 0.5,
    why: '',
    rank,
  })),
}

it('tells the truth in its order with what was said, and figures to who asked for them', async () => {
  const page = await onPage(AnsweredView, { answered }, pinia)
  const rows = [...page.querySelectorAll('ol li')].map(words)
  expect(rows[0]).toContain('1. PALE')
  expect(words(page)).not.toContain('L*')
  expect(rows[0]).toContain('you said 3')
  expect(rows[1]).toContain('you said 2')
  expect(words(page)).toContain('Not this time. “PALE” is lighter')
  expect(words(page)).toContain('right once in 6.')
  useSession().person = { figures: true } as never
  await nextTick()
  expect(words(page)).toContain('L* 95 ± 0.5')
  expect(words(page)).toContain('ΔL* 4.0 ± 0.7')
  useSession().person = null
  expect(inOrder(answered as never).map((one) => one.at)).toEqual([2, 1, 0])
})

async function practise(query = '?exercise=lighter-or-darker') {
  const router = createRouter({
    history: createMemoryHistory(),
    routes: [{ path: '/:rest(.*)*', component: PractisePage }],
  })
  await router.push(`/training/practise${query}`)
  return onPage(PractisePage, {}, router, pinia)
}

it('asks, tells the truth and goes on; at the end it says how many were right', async () => {
  const page = await practise()
  for (let n = 0; n < 10; n++) {
    const asking = await question(2 * n)
    expect(asking.body).toMatchObject({ exercise: 'lighter-or-darker', owned: true, card: null })
    await asking.answer({ ...plain, token: `t${n}` })
    await nextTick()
    for (const key of ['3', '2', '1']) await press(key)
    buttons(page, /That is my order/)[0]!.click()
    const telling = await question(2 * n + 1)
    expect(telling.body).toMatchObject({ token: `t${n}`, places: [2, 1, 0] })
    const scored = {
      answered: { ...answered, right: n % 4 > 0 },
      comes_back_in: n % 4 ? null : 1,
      unit: 'ΔL*',
      threshold: n > 7 ? { value: 3.2, low: 2, high: 5, finest: null } : null,
    }
    await telling.answer(scored, 201)
    await nextTick()
    if (n === 0) expect(words(page)).toContain('It comes back in 1 day.')
    if (n < 9) buttons(page, /^ *Next/)[0]!.click()
  }
  expect(words(page)).toContain('7 of 10 right.')
  expect(words(page)).toContain(
    'right three times of four from ΔL* 3.2 on (between 2 and 5, nine times of ten)',
  )
  expect(buttons(page, /Another 10/)).toHaveLength(1)
})

it('says why nothing can be asked, and goes on with all colours where that is wished', async () => {
  const page = await practise('?exercise=missing-tone&card=4')
  await (
    await question(0)
  ).answer({ code: 'bad_input', message: 'It needs six colours.', problems: [] }, 400)
  await settled()
  expect(words(page)).toContain('It needs six colours.')
  buttons(page, /colours that I do not own/)[0]!.click()
  expect((await question(1)).body).toMatchObject({
    owned: false,
    card: 4,
    exercise: 'missing-tone',
  })
})

it('draws weeks, beside what guessing gives, also a single one and none', async () => {
  const week = { begins: '2026-11-23', count: 8, right: 6, by_chance: 2, threshold: null }
  const told = { key: 'nearest-of-four', title: 'Nearest of four', unit: 'ΔE00', weeks: [week] }
  const fine = { ...week, begins: '2026-11-30', right: 8, threshold: { value: 3, low: 2, high: 6 } }
  let page = await onPage(WeekCurve, { told: { ...told, weeks: [week, fine] } }, pinia)
  expect(words(page)).toContain('8 of 8 right')
  expect(words(page)).toContain('by guessing 25 %')
  expect(words(page)).toContain('last measured ΔE00 3')
  expect(page.querySelectorAll('circle')).toHaveLength(3)
  expect([...page.querySelectorAll('polyline')].some((one) => /NaN/.test(one.outerHTML))).toBe(
    false,
  )
  page = await onPage(WeekCurve, { told }, pinia)
  expect(page.querySelectorAll('circle')).toHaveLength(1)
  page = await onPage(WeekCurve, { told: { ...told, weeks: [] } }, pinia)
  expect(words(page)).toContain('Nothing answered in the last weeks.')
})

it('places weeks by their dates, not by their number', () => {
  const week = (begins: string) => ({ begins, count: 4, right: 3, by_chance: 1, threshold: null })
  expect(placed(['2026-11-02', '2026-11-09', '2026-11-30'].map(week), 100, 0)).toEqual([0, 25, 100])
  expect(placed([week('2026-11-02')], 100, 10)).toEqual([50])
  expect(placed([], 100, 10)).toEqual([])
})

it('draws a region small, also one of a single week', async () => {
  const week = { begins: '2026-11-02', count: 4, right: 3, by_chance: 1, threshold: null }
  const page = await onPage(RegionCurve, { weeks: [week] }, pinia)
  expect(page.querySelectorAll('circle')).toHaveLength(1)
  expect(page.innerHTML).not.toContain('NaN')
})

it('names things by letters before, and by their supplies after', () => {
  expect([letter(0), letter(6)]).toEqual(['A', 'G'])
  expect(named({ shown: [{ label: 'INK' }, { label: 'CARD' }] }, 0)).toBe('INK on CARD')
  expect(named({ shown: [] }, 1)).toBe('strip B')
  expect(finely({ value: 1.5, low: 1, high: 2, finest: null }, 'ΔE00')).toContain(
    'from ΔE00 1.5 on',
  )
  expect(finely({ value: 1.5, low: 1, high: 2, finest: 4 }, 'ΔE00')).toContain('even at ΔE00 4')
})
