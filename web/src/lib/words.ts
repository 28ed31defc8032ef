import type { Match } from '@/api/client'

let phrases: Record<string, string> = {}

/** The door tells the words of keys that are not said as they are written. */
export function learn(told: Record<string, string>) {
  phrases = told
}

/** A key as people read it. */
export const inWords = (key: string) => phrases[key] ?? key.replaceAll('-', ' ')

/** Keys to choose from. */
export const choices = <T extends string>(keys: readonly T[]) =>
  keys.map((value) => ({ value, words: inWords(value) }))

/** What a match and a prediction share. */
type Near = Pick<Match, 'verdict' | 'tentative' | 'direction' | 'distance' | 'between' | 'likely'>

/** How near a match is, said first in words; `told` that it stands elsewhere how sure that is. */
export function nearness(match: Near, told = false): string {
  const sure = match.tentative && !told ? 'probably ' : ''
  const towards = match.direction ? `, ${match.direction}` : ''
  return sure + inWords(match.verdict) + towards
}

/** Between which words it really is, where it is not sure; else nothing. */
export function really({ tentative, between: [least, most] }: Near): string {
  if (!tentative || least === most) return ''
  return `really between ${inWords(least!)} and ${most === 'cousin' ? 'a cousin' : inWords(most!)}`
}

/** The same as a figure, with how far it may really be. */
export function figure({ distance, likely: [low, high] }: Near): string {
  const told = `ΔE\u00a0${distance.toFixed(1)}`
  return low === high ? told : `${told}, really ${low!.toFixed(1)} to ${high!.toFixed(1)}`
}

/** A supply as it is looked for: its code with its name, or whichever it has. */
export const called = (swatch: { label: string; code: string; name: string }) =>
  swatch.code && swatch.name ? `${swatch.label} ${swatch.name}` : swatch.label

export function plural(count: number, one: string, many = one + 's'): string {
  return `${count} ${count === 1 ? one : many}`
}

/** A share as per cent; small ones with a tenth. */
export function percent(share: number): string {
  const value = share * 100
  return `${value < 2 ? value.toFixed(1) : Math.round(value)}\u00a0%`
}

/** A day as it is written, of a date or a time; a date alone is the same day everywhere. */
export function day(when: string): string {
  return new Date(when.includes('T') ? when : `${when}T12:00`).toLocaleDateString('en-GB')
}
