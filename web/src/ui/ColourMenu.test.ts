import { describe, expect, it } from 'vitest'
import { createMemoryHistory, createRouter } from 'vue-router'
import { useNotices } from '@/lib/notices'
import { asked, onPage, question, eventually } from '@/testing'
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
    await (await question(0)).answer({ colours: [] })
    place.querySelector('button')!.click()
    const put = await question(1)
    expect(put.body).toEqual({ colours: [4], owned: true, fullness: 'full' })
    await put.answer({ colours: [4], entries: [] })
    await eventually(() => expect(useNotices().list).toHaveLength(1))
    const [notice] = useNotices().list
    expect(notice!.text).toBe('MOSS-4 is in your drawer, full.')
    notice!.act!.run()
    const back = await question(2)
    expect([back.method, back.body]).toEqual(['PUT', { colours: [4], entries: [] }])
    await back.answer(null, 200)
    await eventually(() => expect(changed).toBe(2))
  })

  it('of an owned one brings its fullness back, and tells what could not be stored', async () => {
    const mine = { ...swatch, owned: true, fullness: 'half' as const }
    const place = await onPage(ColourMenu, { swatch: mine }, router())
    expect(place.textContent).not.toContain('I own it')
    await (await question(0)).answer({ colours: [] })
    place.querySelector('button')!.click()
    await eventually(() => expect(place.textContent).toContain('It is not mine'))
    const press = (words: string) =>
      [...place.querySelectorAll('button')].find((one) => one.textContent!.includes(words))!
    press('It is dry').click()
    const dry = await question(1)
    expect(dry.body).toEqual({ colours: [4], owned: true, fullness: 'dry' })
    const there = { colours: [4], entries: [{ colour: 4, fullness: 'half', note: 'the old one' }] }
    await dry.answer(there)
    await eventually(() => expect(useNotices().list).toHaveLength(1))
    useNotices().list[0]!.act!.run()
    const back = await question(2)
    expect([back.method, back.body]).toEqual(['PUT', there])
    await back.answer({ code: 'bad', message: 'No room.', problems: [] }, 400)
    await eventually(() => expect(useNotices().list.at(-1)!.text).toBe('No room.'))
    expect(asked).toHaveLength(3)
  })

  it('puts it on the shopping list in one press and takes it off, wherever it stands', async () => {
    const place = await onPage(ColourMenu, { swatch }, router())
    await (await question(0)).answer({ colours: [] })
    const press = (words: string) =>
      [...place.querySelectorAll('button')].find((one) => one.textContent!.includes(words))
    press('To buy')!.click()
    const put = await question(1)
    expect(put.body).toEqual({ colours: [4], asked: true })
    await put.answer(null, 200)
    await eventually(() => expect(press('To buy')).toBeUndefined())
    place.querySelector<HTMLElement>('[aria-label^="More"]')!.click()
    await eventually(() => expect(press('Off the shopping list')).toBeDefined())
    press('Off the shopping list')!.click()
    const off = await question(2)
    expect(off.body).toEqual({ colours: [4], asked: false })
    await off.answer(null, 200)
    useNotices().list.at(-1)!.act!.run()
    expect((await question(3)).body).toEqual({ colours: [4], asked: true })
  })
})
