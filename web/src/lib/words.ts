import type { Match } from '@/api/client'

/** How near a match is, said first in words. */
export function nearness(match: Match): string {
  const verdict = match.tentative ? `perhaps ${match.verdict}` : match.verdict
  return match.direction ? `${verdict}, ${match.direction}` : verdict
}

/** The same as a figure with its uncertainty. */
export function figure(match: Match): string {
  return `ΔE ${match.distance.toFixed(1)} ± ${match.uncertainty.toFixed(1)}`
}

export function plural(count: number, one: string, many = one + 's'): string {
  return `${count} ${count === 1 ? one : many}`
}
