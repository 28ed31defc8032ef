import { describe, expect, it, vi } from 'vitest'
import { createMemoryHistory, createRouter } from 'vue-router'
import type { Card } from '@/api/client'
import { useCard } from '@/card/card'
import { useNotices } from '@/lib/notices'
import { usePlan } from '@/stages/plan/plan'
import { asked, onPage, settled } from '@/testing'
import RecordStage from './RecordStage.vue'

// A frame would ask the network.
vi.mock('@/ui/RecipeSheet.vue', () => ({ default: { template: '<p />' } }))

const task = (key: string, id: number | null) => ({
  key,
  words: `Colour ${key}`,
  supplies: [{ id, words: `TONE-${id}`, shades: { colour: '#334455' } }],
})
const plan = (version: number, more: object = {}) => ({
  version,
  now: 0,
  cards: 6,
  tasks: [task('wing', 4)],
  past: [task('tail', 5)],
  instead: [],
  ...more,
})

async function opened() {
  useCard().card = { id: 3, version: 1, name: 'Heron', checks: [] as unknown[] } as Card
  const router = createRouter({
    history: createMemoryHistory(),
    routes: [{ path: '/:rest(.*)*', component: { template: '<p />' } }],
  })
  await router.push('/cards/3/record')
  const place = await onPage(RecordStage, {}, router)
  await settled()
  const of = (path: string) => asked.filter((one) => one.path.endsWith(path)).at(-1)!
  await of('/plan').answer(plan(2))
  await of('/glances').answer({ cards: [], broken: [] })
  await settled()
  // However often the page is drawn, the picture of the card is asked for once.
  expect(asked.filter((one) => one.path.endsWith('/glances'))).toHaveLength(1)
  return { router, place, of }
}

describe('the record of a card', () => {
  it('takes over how many are made, and goes to the log once it stands there', async () => {
    const { router, place, of } = await opened()
    expect(place.textContent).toContain('1 step ticked off go along')
    place.querySelector('form')!.dispatchEvent(new Event('submit'))
    await settled()
    const { body } = of('/records')
    expect(body).toMatchObject({ version: 2, count: 6, occasion: '' })
    expect(body!.made).toMatch(/^\d{4}-\d\d-\d\d$/)
    await of('/records').answer({ id: 12 }, 201)
    await settled()
    expect(router.currentRoute.value.path).toBe('/log/12')
  })

  it('that another device wrote already is told, and the newest state is opened', async () => {
    const { router, place, of } = await opened()
    place.querySelector('form')!.dispatchEvent(new Event('submit'))
    await settled()
    await of('/records').answer({ code: 'stale', message: 'It went on.', problems: [] }, 409)
    await settled()
    expect(useNotices().list.map((one) => one.text)).toEqual(['It went on.'])
    await of('/plan').answer(plan(3, { past: [] }))
    expect(place.textContent).not.toContain('ticked off')
    expect(router.currentRoute.value.path).toBe('/cards/3/record')
  })

  it('lists what was used instead, each to be taken back', async () => {
    const { place, of } = await opened()
    const used = { of: 'Colour wing', was: 'TONE-4 of Tern', label: 'TONE-9', range: 'Tern' }
    const other = { ...used, label: 'TONE-8' }
    expect(place.querySelectorAll('[aria-label^="Take back"]')).toHaveLength(0)
    usePlan().plan = plan(4, { instead: [used, other] }) as never
    await settled()
    const buttons = place.querySelectorAll<HTMLButtonElement>('[aria-label^="Take back"]')
    expect([...buttons].map((one) => one.getAttribute('aria-label'))).toEqual([
      'Take back: TONE-9 instead of TONE-4 of Tern',
      'Take back: TONE-8 instead of TONE-4 of Tern',
    ])
    buttons[1]!.click()
    await settled()
    expect(of('/plan/instead').body).toEqual({ version: 4, drop: 1 })
  })
})
