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
