import told from './guide.json'

export type Entry = {
  key: string
  title: string
  words: string
  parts: { name: string; words: string }[]
}
/** What each screen is for and how its parts work; docs/guide.md is made of the same. */
export const GUIDE: readonly Entry[] = told
export const helpOn = (key: string) => GUIDE.find((one) => one.key === key)
