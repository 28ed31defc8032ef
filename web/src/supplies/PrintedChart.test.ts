import { beforeEach, describe, expect, it, vi } from 'vitest'
import { asked, onPage, settled } from '@/testing'
import PrintedChart from './PrintedChart.vue'

const kept = vi.hoisted(() => vi.fn())
vi.mock('@/lib/takeAlong', () => ({ keep: kept }))

const kinds = [
  { words: 'Letter', query: 'sheet=letter' },
  { words: 'A4, only mine', query: 'sheet=a4&owned=true', less: true },
]
/** Lines of JSON that come when the test sends them. */
function lines() {
  let out!: ReadableStreamDefaultController<Uint8Array>
  const body = new ReadableStream<Uint8Array>({ start: (given) => void (out = given) })
  const send = async (line: object) => {
    out.enqueue(new TextEncoder().encode(JSON.stringify(line) + '\n'))
    await settled()
  }
  return { answer: new Response(body), send, end: async () => (out.close(), await settled()) }
}

describe('a chart to print', () => {
  let page: HTMLElement
  const button = (words: string) =>
    [...page.querySelectorAll('button')].find((one) => one.textContent!.trim() === words)!

  beforeEach(async () => {
    kept.mockReset()
    page = await onPage(PrintedChart, { path: '/api/ranges/7/chart', kinds, main: true })
  })

  it('tells how far it is and is kept as a file once it is whole', async () => {
    button('A4, only mine').click()
    await settled()
    expect(asked[0]!.path).toBe('/api/ranges/7/chart')
    expect(button('Letter').disabled).toBe(true)
    const { answer, send, end } = lines()
    await asked[0]!.answer(answer)
    await send({ share: 0.45, words: '1,000 of 2,000 boxes' })
    expect(page.textContent).toContain('45 %, 1,000 of 2,000 boxes')
    expect(kept).not.toHaveBeenCalled()
    await send({ share: 1, name: 'Rods chart.pdf', pdf: btoa('%PDF-1.3 ü') })
    await end()
    const [content, name] = kept.mock.lastCall as [Blob, string]
    expect([name, content.type]).toEqual(['Rods chart.pdf', 'application/pdf'])
    expect([...new Uint8Array(await content.arrayBuffer())].at(-1)).toBe(0xfc)
    expect(button('Letter').disabled).toBe(false)
  })

  it('says what went wrong and keeps nothing', async () => {
    button('Letter').click()
    await settled()
    const problem = { code: 'not_found', message: 'There is no such range.', problems: [] }
    await asked[0]!.answer(problem, 404)
    expect(page.querySelector('[role=alert]')!.textContent).toBe('There is no such range.')
    expect(kept).not.toHaveBeenCalled()
    expect(button('Letter').disabled).toBe(false)
  })

  it('can be stopped', async () => {
    button('Letter').click()
    await settled()
    const { answer, send } = lines()
    await asked[0]!.answer(answer)
    await send({ share: 0.2, words: '400 of 2,000 boxes' })
    button('Cancel').click()
    await settled()
    expect(page.querySelector('progress')).toBe(null)
    expect(page.querySelector('[role=alert]')).toBe(null)
  })
})
