/** Runs what it is given one after the other; each begins once the one before has ended, however it did. */
export function inTurn() {
  let queue: Promise<unknown> = Promise.resolve()
  return <T>(job: () => Promise<T>): Promise<T> => {
    const turn = queue.then(job, job)
    queue = turn.catch(() => undefined)
    return turn
  }
}
