import { expect, it } from 'vitest'
import { nextTick } from 'vue'
import { createMemoryHistory, createRouter } from 'vue-router'
import { useSession } from '@/lib/session'
import { onPage } from '@/testing'
import PlainWords from './PlainWords.vue'

const router = () =>
  createRouter({
    history: createMemoryHistory(),
    routes: [{ path: '/:rest(.*)*', component: { template: '<p />' } }],
  })
const said = 'light and middle will not join (ΔL* 31 apart); the card (white) holds'

it('says words first: figures stand behind a ?, or always for who asked, and brackets of words stay', async () => {
  const place = await onPage(PlainWords, { text: said }, router())
  expect(place.textContent).toContain('will not join')
  expect(place.textContent).toContain('(white) holds')
  expect(place.textContent).not.toContain('ΔL*')
  expect(place.querySelector('button')!.getAttribute('aria-label')).toBe(
    'The figures: ΔL* 31 apart',
  )
  useSession().person = { figures: true } as never
  await nextTick()
  expect(place.textContent).toContain('ΔL* 31 apart')
  expect(place.querySelector('button')).toBeNull()
})

it('has nothing to press inside a button', async () => {
  const place = await onPage(PlainWords, { text: said, tip: false }, router())
  expect(place.querySelector('button')).toBeNull()
  expect(place.textContent).not.toContain('ΔL*')
})
