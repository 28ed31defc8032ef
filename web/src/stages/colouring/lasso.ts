/** A point on the picture. */
export type Point = { x: number; y: number }

/** Whether a point lies within a line that is drawn around something. */
export function within(point: Point, line: Point[]): boolean {
  let inside = false
  for (let at = 0, before = line.length - 1; at < line.length; before = at++) {
    const [a, b] = [line[at]!, line[before]!]
    if (a.y > point.y !== b.y > point.y) {
      const crossed = a.x + ((point.y - a.y) / (b.y - a.y)) * (b.x - a.x)
      if (point.x < crossed) inside = !inside
    }
  }
  return inside
}
