import { beforeEach, describe, expect, it } from 'vitest'
import type { App } from 'vue'
import { asked, onPage, settled } from '@/testing'
import RoomLine from './RoomLine.vue'

describe('what an account may keep', () => {
  let page: HTMLElement
  const cards = (there: number) => ({
    what: 'cards',
    there,
    most: 5000,
    nearly_full: there >= 4000,
  })

  const links = { install: (app: App) => void app.component('RouterLink', { render: () => null }) }

  beforeEach(async () => {
    page = await onPage(RoomLine, {}, links)
    await settled()
  })

  it('is told before it is full, and not before', async () => {
    await asked[0]!.answer([cards(4100), { ...cards(3), what: 'sets' }])
    expect(page.textContent).toContain('4,100 of 5,000 cards')
    expect(page.textContent).not.toContain('sets')
  })

  it('is nobody’s worry while there is room', async () => {
    await asked[0]!.answer([cards(12)])
    expect(page.textContent!.trim()).toBe('')
  })
})
