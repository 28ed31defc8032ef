import { describe, expect, it, vi } from 'vitest'
import { createMemoryHistory, createRouter } from 'vue-router'
import { useNotices } from '@/lib/notices'
import { asked, onPage, question } from '@/testing'
import ColourMenu from './ColourMenu.vue'

const swatch = {
  id: 4,
  label: 'MOSS-4',
  code: 'MOSS-4',
  name: '',
  range_name: 'Wherry',
  owned: false,
  fullness: null,
}
const router = () =>
  createRouter({
    history: createMemoryHistory(),
    routes: [{ path: '/:rest(.*)*', component: { template: '<p />' } }],
  })

describe('the menu of a colour', () => {
  it('says in one press that it is owned, and takes that back', async () => {
    let changed = 0
    const place = await onPage(ColourMenu, { swatch, onChanged: () => (changed += 1) }, router())
    place.querySelector('button')!.click()
    const put = await question(0)
    expect(put.body).toEqual({ colours: [4], owned: true, fullness: 'full' })
    await put.answer(null, 200)
    await vi.waitFor(() => expect(useNotices().list).toHaveLength(1))
    const [notice] = useNotices().list
    expect(notice!.text).toBe('MOSS-4 is in your drawer, full.')
    notice!.act!.run()
    const back = await question(1)
    expect(back.body).toEqual({ colours: [4], owned: false })
    await back.answer(null, 200)
    await vi.waitFor(() => expect(changed).toBe(2))
  })

  it('of an owned one brings its fullness back, and tells what could not be stored', async () => {
    const mine = { ...swatch, owned: true, fullness: 'half' as const }
    const place = await onPage(ColourMenu, { swatch: mine }, router())
    expect(place.textContent).not.toContain('I own it')
    place.querySelector('button')!.click()
    await vi.waitFor(() => expect(place.textContent).toContain('It is not mine'))
    const press = (words: string) =>
      [...place.querySelectorAll('button')].find((one) => one.textContent!.includes(words))!
    press('It is dry').click()
    const dry = await question(0)
    expect(dry.body).toEqual({ colours: [4], owned: true, fullness: 'dry' })
    await dry.answer(null, 200)
    await vi.waitFor(() => expect(useNotices().list).toHaveLength(1))
    useNotices().list[0]!.act!.run()
    const back = await question(1)
    expect(back.body).toMatchObject({ owned: true, fullness: 'half' })
    await back.answer({ code: 'bad', message: 'No room.', problems: [] }, 400)
    await vi.waitFor(() => expect(useNotices().list.at(-1)!.text).toBe('No room.'))
    expect(asked).toHaveLength(2)
  })

  it('puts it on the shopping list and off it, each of which can be taken back', async () => {
    for (const [listed, words] of [
      [false, 'To buy'],
      [true, 'Off the shopping list'],
    ] as const) {
      const at = asked.length
      const place = await onPage(ColourMenu, { swatch, asked: listed }, router())
      place.querySelector<HTMLElement>('[aria-label^="More"]')!.click()
      await vi.waitFor(() => expect(place.textContent).toContain(words))
      const items = [...place.querySelectorAll('button')]
      items.find((one) => one.textContent!.includes(words))!.click()
      const put = await question(at)
      expect(put.body).toEqual({ colours: [4], asked: !listed })
      await put.answer(null, 200)
      await vi.waitFor(() =>
        expect(useNotices().list.at(-1)!.text).toContain('your shopping list.'),
      )
      useNotices().list.at(-1)!.act!.run()
      const back = await question(at + 1)
      expect(back.body).toEqual({ colours: [4], asked: listed })
      await back.answer(null, 200)
    }
  })
})
