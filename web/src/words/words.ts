import told from './words.json'

export type Word = { word: string; plain: string }
/** Special words with what they mean in one line: for where they stand, and for the page of all of them. */
export const WORDS: ReadonlyArray<Word> = told
export const plainly = (word: string) => WORDS.find((one) => one.word === word)?.plain ?? ''

const SIGNS: [RegExp, string][] = [
  [/ΔE/, 'ΔE'],
  [/ΔL\*/, 'ΔL*'],
  [/\d : 1\b/, '4 : 1'],
  [/(^|[^Δ])L\*/, 'L*, a*, b*'],
  [/±/, '±'],
]
/** What stands in a figure that not everybody knows; nothing for one in plain words. */
export function explained(figure: string): Word[] {
  const found = SIGNS.filter(([sign]) => sign.test(figure)).map(([, word]) => word)
  return WORDS.filter((one) => found.includes(one.word))
}
