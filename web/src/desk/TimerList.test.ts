import { expect, it } from 'vitest'
import { nextTick } from 'vue'
import type { Plan } from '@/api/client'
import { usePlan } from '@/stages/plan/plan'
import { asked, onPage, settled } from '@/testing'
import TimerList from './TimerList.vue'

const timers = [
  { key: 'ground:1', words: 'Lay the ground', reason: 'it is wet', since: 0, until: 700 },
  { key: 'out:1', words: 'Stamp', reason: 'it must be dry', since: 0, until: 940 },
] as Plan['timers']

it('counts down, says what is over, and gives more time from now', async () => {
  const work = usePlan()
  void work.open(1)
  await settled()
  await asked[0]!.answer({ version: 4, now: 880, timers, tasks: [], past: [] })
  const page = await onPage(TimerList, { timers, now: 880 })
  const [over, running] = [...page.querySelectorAll('li button')] as HTMLButtonElement[]
  expect([over!.textContent, running!.textContent]).toEqual(['OverLay the ground', '1:00Stamp'])
  expect(page.querySelector('[role=status]')!.textContent!.trim()).toBe('Over: Lay the ground')
  over!.click()
  await nextTick()
  const more = [...page.querySelectorAll('button')].find((one) => /Not yet/.test(one.textContent!))!
  more.click()
  await settled()
  expect(asked[1]!.body).toMatchObject({ version: 4, press: 'longer', key: 'ground:1', minutes: 8 })
})
