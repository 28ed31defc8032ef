import type { Plan } from '@/api/client'

/** So many minutes as people say them. */
export function span(minutes: number): string {
  const whole = Math.round(minutes)
  const [hours, rest] = [Math.floor(whole / 60), whole % 60]
  if (!hours) return `${rest} min`
  return rest ? `${hours} h ${rest} min` : `${hours} h`
}

/** When something is, from the start of the work. */
export function at(minutes: number): string {
  const whole = Math.round(minutes)
  return `${Math.floor(whole / 60)}:${String(whole % 60).padStart(2, '0')}`
}

const CLOCK = { hour: '2-digit', minute: '2-digit' } as const
const DAY = { weekday: 'short', ...CLOCK } as const

/** When something of a plan is: by the clock once the work is begun, else from its start. */
export function when(plan: Pick<Plan, 'begins'>, minutes: number): string {
  if (!plan.begins) return at(minutes)
  const then = new Date((plan.begins + 60 * minutes) * 1000)
  const today = then.toDateString() === new Date(plan.begins * 1000).toDateString()
  return then.toLocaleString('en-GB', today ? CLOCK : DAY)
}

/** What is left of a wait: minutes and seconds, none once it is over. */
export function left(seconds: number): string {
  const whole = Math.max(Math.ceil(seconds), 0)
  const [minutes, rest] = [Math.floor(whole / 60), whole % 60]
  const shown = `${minutes % 60}`.padStart(minutes >= 60 ? 2 : 1, '0')
  const hours = minutes >= 60 ? `${Math.floor(minutes / 60)}:` : ''
  return `${hours}${shown}:${String(rest).padStart(2, '0')}`
}
