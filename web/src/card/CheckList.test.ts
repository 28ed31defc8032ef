import { beforeEach, describe, expect, it } from 'vitest'
import { createMemoryHistory, createRouter } from 'vue-router'
import type { Card, Check, Mend } from '@/api/client'
import { asked, onPage, settled } from '@/testing'
import { useCard } from './card'
import CheckList from './CheckList.vue'
import { STAGES } from './stages'

const check = (id: string, stage: string, status: string, waived: string | null = null) =>
  ({
    id,
    stage,
    status,
    waived,
    kind: id.split(/[: ]/).find((part) => part !== 'ground'),
    ways: [],
    pieces: [],
    title: `check ${id}`,
    figure: 'ΔL* 3',
    limit: 'ΔL* 40',
    reason: 'sinks',
  }) as unknown as Check

async function shown(checks: Check[], mends: Record<string, Mend[]> = {}) {
  const routes = [{ path: '/cards/:id/:stage', component: {} }]
  const router = createRouter({ history: createMemoryHistory(), routes })
  await router.push('/cards/5/build')
  const store = useCard()
  store.card = { id: 5, version: 2, checks } as Card
  await settled()
  store.mends = mends
  return await onPage(CheckList, {}, router)
}
const links = (page: HTMLElement) =>
  [...page.querySelectorAll('li a')].map((one) => one.getAttribute('href'))

describe('the list of checks', () => {
  let page: HTMLElement
  const titles = () => [...page.querySelectorAll('b')].map((one) => one.textContent)

  it('has first what fails, and among alike what is mended here', async () => {
    page = await shown([
      check('span', 'contrast', 'look-again'),
      check('pair:1', 'contrast', 'fails'),
      check('fit:3', 'build', 'look-again'),
      check('stands:3', 'build', 'fails'),
      check('stands:4', 'build', 'holds'),
    ])
    expect(titles().slice(0, 4)).toEqual(
      ['stands:3', 'pair:1', 'fit:3', 'span'].map((id) => `check ${id}`),
    )
    expect(page.textContent).toContain('1 check holds')
  })

  it('leads to where a check is mended, whether or not its mends have come', async () => {
    const checks = [
      check('ground:centre', 'background', 'fails'),
      check('ground:join 1', 'background', 'fails'),
    ]
    const there = ['/cards/5/background?view=standing', '/cards/5/background']
    expect(links(await shown(checks))).toEqual(there)
    const mend = {
      words: 'cover the centre',
      figure: '',
      shades: null,
      change: {},
    } as unknown as Mend
    page = await shown(checks, { 'ground:centre': [mend] })
    expect(links(page)).toEqual(there)
    expect(page.textContent).toContain('cover the centre')
  })

  it('does not lead away from where one is', async () => {
    expect(links(await shown([check('fit:3', 'build', 'fails')]))).toEqual([])
  })

  it('sends a mend as it came', async () => {
    const change = { kind: 'edit_piece', key: 3, white_edge: true }
    const mend = { words: 'a white edge', figure: '1 mm', shades: null, change } as unknown as Mend
    page = await shown([check('stands:3', 'build', 'fails')], { 'stands:3': [mend] })
    ;[...page.querySelectorAll('button')].find((one) => one.textContent!.includes('edge'))!.click()
    await settled()
    expect(asked.at(-1)!.body).toEqual({ version: 2, stage: null, change })
  })

  it('keeps what is so on purpose with its reason, to be counted again', async () => {
    page = await shown([check('melts:1:2', 'build', 'fails', 'tone on tone')])
    expect(page.textContent).toContain('is so on purpose')
    expect(page.textContent).toContain('“tone on tone”')
    ;[...page.querySelectorAll('button')].find((one) => one.textContent!.includes('again'))!.click()
    await settled()
    expect(asked.at(-1)!.body!.change).toEqual({ kind: 'unwaive', check: 'melts:1:2' })
  })

  it('says what to do while there is nothing to check', async () => {
    expect((await shown([])).textContent).toContain('Nothing to check yet')
  })
})

describe('the stages', () => {
  beforeEach(() => void asked.splice(0))
  it('stand in the order of work, contrast before the first mark', () => {
    const order = ['palette', 'contrast', 'colouring', 'background', 'build', 'plan', 'record']
    expect(STAGES.map((one) => one.key)).toEqual(order)
    expect(new Set(STAGES.map((one) => one.words)).size).toBe(order.length)
  })
})
