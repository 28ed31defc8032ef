import { expect, it, vi } from 'vitest'
import { recentOf } from '@/lib/recent'
import { onPage, question, press, eventually } from '@/testing'
import FindColour from './FindColour.vue'

const found = (label: string) => ({
  value: null,
  colours: [{ id: 4, label, code: label, name: '', range_name: 'Hulls', shades: {}, second: null }],
  more: false,
  described: false,
})

it('offers what was picked last until something is typed, and never for that', async () => {
  recentOf('').add(4)
  const place = await onPage(FindColour)
  await (await question(0)).answer(found('MOSS-4'))
  await eventually(() => expect(place.textContent).toContain('Picked last'))
  expect(place.textContent).toContain('MOSS-4')
  const input = place.querySelector('input')!
  input.value = 'clay'
  input.dispatchEvent(new Event('input'))
  const typed = await question(1)
  await eventually(() => expect(place.textContent).not.toContain('MOSS-4'))
  await typed.answer(found('CLAY-4'))
  await eventually(() => expect(place.textContent).toContain('CLAY-4'))
})

it('Enter before the answer has come means what is typed, not what the letters before it found', async () => {
  recentOf('').add(4)
  const picked = vi.fn()
  const place = await onPage(FindColour, { onPick: picked })
  await (await question(0)).answer(found('MOSS-4'))
  const input = place.querySelector('input')!
  const type = (text: string) => {
    input.value = text
    input.dispatchEvent(new Event('input'))
  }
  type('cla')
  await (await question(1)).answer(found('CLARET-4'))
  await eventually(() => expect(place.textContent).toContain('CLARET-4'))
  type('clay')
  const late = await question(2)
  input.focus()
  await press('Enter')
  expect(picked).not.toHaveBeenCalled()
  await late.answer(found('CLAY-4'))
  await eventually(() => expect(picked).toHaveBeenCalledTimes(1))
  expect(picked.mock.calls[0]![0].swatch.label).toBe('CLAY-4')
})
