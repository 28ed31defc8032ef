/** What a person says of what they made. */
export type Said = {
  made: string
  count: number
  occasion: string
  person: string
  went_well: string
  to_change: string
}

/** Nothing yet, but that it was today. */
export function nothingSaid(): Said {
  const today = new Date()
  const two = (part: number) => String(part).padStart(2, '0')
  const made = `${today.getFullYear()}-${two(today.getMonth() + 1)}-${two(today.getDate())}`
  return { made, count: 1, occasion: '', person: '', went_well: '', to_change: '' }
}
