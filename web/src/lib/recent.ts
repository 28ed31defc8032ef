const MOST = 8

/** The supplies that were picked last on this device, by their ids, per person; nothing where none can be kept. */
export function recentOf(person: string) {
  const key = `jindle picked ${person}`
  function read(): number[] {
    try {
      const kept: unknown = JSON.parse(localStorage.getItem(key) ?? '[]')
      return Array.isArray(kept) ? kept.filter((one) => Number.isInteger(one)).slice(0, MOST) : []
    } catch {
      return []
    }
  }
  function add(id: number) {
    const now = [id, ...read().filter((one) => one !== id)].slice(0, MOST)
    try {
      localStorage.setItem(key, JSON.stringify(now))
    } catch {
      // A full or forbidden storage: then nothing is remembered.
    }
  }
  return { read, add }
}
