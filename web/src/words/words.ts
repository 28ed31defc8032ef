import told from './words.json'

/** Special words with what they mean in one line: for where they stand, and for the page of all of them. */
export const WORDS: ReadonlyArray<{ word: string; plain: string }> = told
export const plainly = (word: string) => WORDS.find((one) => one.word === word)?.plain ?? ''
