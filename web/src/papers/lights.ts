import type { PhotoLight } from '@/api/client'

/** What a picture was taken by, in plain words. */
export const LIGHTS: { value: PhotoLight | ''; words: string }[] = [
  { value: '', words: 'I do not know' },
  { value: 'daylight', words: 'daylight' },
  { value: 'shade', words: 'daylight, in the shade' },
  { value: 'warm LED', words: 'a warm, yellowish LED' },
  { value: 'cool LED', words: 'a white LED' },
  { value: 'bulb', words: 'a filament or halogen bulb' },
  { value: 'fluorescent', words: 'a fluorescent tube' },
]
