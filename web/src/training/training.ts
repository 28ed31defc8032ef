import type { Answered, MeetsAsked, Threshold } from '@/api/client'

/** What was answered: places in order, or of the one that was chosen; how two pads meet. */
export type Given = { places: number[]; kind: MeetsAsked | null }

/** Letters by which what is asked is told apart as long as it has no name. */
export const letter = (at: number) => String.fromCharCode(65 + at)

/** How fine an eye is, in a sentence. */
export function finely(threshold: Threshold, unit: string) {
  const { value, low, high, finest } = threshold
  if (finest !== null)
    return `right more than three times of four even at ${unit} ${finest}, the finest that could be asked`
  return `right three times of four from ${unit} ${value} on (between ${low} and ${high}, nine times of ten)`
}

/** An option by its supplies, as it is named once it was answered. */
export const named = (option: { shown: { label: string }[] }, at: number) =>
  option.shown.map((one) => one.label).join(' on ') || `strip ${letter(at)}`

/** The options of what was answered, in their true order: the right one first. */
export const inOrder = (answered: Answered) =>
  answered.options
    .map((option, at) => ({ option, at }))
    .sort((one, other) => one.option.rank - other.option.rank)

/** A strip from end to end as a background. */
export const along = (shades: string[]) => `linear-gradient(90deg, ${shades.join(', ')})`
