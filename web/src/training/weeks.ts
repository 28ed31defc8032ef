import type { ExerciseWeeks } from '@/api/client'

export type Week = ExerciseWeeks['weeks'][number]
export type Point = [number, number]
export const path = (points: Point[]) => points.map((one) => one.join()).join(' ')

/** Where weeks lie along a drawing: by their dates, a single one in its middle. */
export function placed(weeks: Week[], wide: number, side: number) {
  const days = weeks.map((week) => Date.parse(week.begins))
  const [first, last] = [days[0] ?? 0, days.at(-1) ?? 0]
  return days.map((day) =>
    last > first ? side + ((day - first) * (wide - 2 * side)) / (last - first) : wide / 2,
  )
}

/** How high shares lie in it, 0 at its foot. */
export const lifted = (share: number, high: number, side: number) =>
  high - side - share * (high - 2 * side)

export const rightShare = (week: Week) => week.right / week.count
export const chanceShare = (week: Week) => week.by_chance / week.count
