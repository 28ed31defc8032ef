import { expect, it, vi } from 'vitest'
import { recentOf } from '@/lib/recent'
import { onPage, question } from '@/testing'
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
  await vi.waitFor(() => expect(place.textContent).toContain('Picked last'))
  expect(place.textContent).toContain('MOSS-4')
  const input = place.querySelector('input')!
  input.value = 'clay'
  input.dispatchEvent(new Event('input'))
  const typed = await question(1)
  await vi.waitFor(() => expect(place.textContent).not.toContain('MOSS-4'))
  await typed.answer(found('CLAY-4'))
  await vi.waitFor(() => expect(place.textContent).toContain('CLAY-4'))
})
