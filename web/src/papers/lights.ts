import type { PhotoLight } from '@/api/client'

/** What a picture was taken by, in plain words. */
export const LIGHTS: { value: PhotoLight | ''; words: string }[] = [
  { value: '', words: 'I do not know' },
  { value: 'daylight', words: 'daylight' },
  { value: 'shade', words: 'daylight, in the shade' },
  { value: 'warm lamp', words: 'a warm, yellowish lamp' },
  { value: 'LED lamp', words: 'a white LED lamp' },
]
