import { describe, expect, it } from 'vitest'
import type { Plan } from '@/api/client'
import { onPage } from '@/testing'
import TimeLine from './TimeLine.vue'

const task = (key: string, start: number, end: number) => ({ key, words: key, start, end })
const plan = {
  tasks: [task('ground', 0, 10), task('ducks', 10, 30), task('post', 90, 100)],
  dries: [task('ground', 10, 40), task('ducks', 30, 35), task('drops', 40, 90)],
  breaks: [{ start: 40, end: 90 }],
  minutes: 100,
  begins: 0,
} as unknown as Plan

describe('the line of time', () => {
  it('shows hands by their numbers, and what overlaps in lanes of its own', async () => {
    const page = await onPage(TimeLine, { plan })
    const titles = [...page.querySelectorAll('span[title]')].map((one) => one.getAttribute('title'))
    expect(titles).toContain('1. ground, 0:00 to 0:10')
    expect(titles).toContain('Nobody is at the table, 0:40 to 1:30')
    const lanes = [...page.querySelectorAll('.h-4')].slice(0, 2)
    expect(lanes.map((one) => one.querySelectorAll('span').length)).toEqual([2, 1])
    expect(lanes[0]!.textContent).toContain('1: 30 min')
  })
})
