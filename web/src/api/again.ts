/** How often a question is asked again while the server's database is away: two minutes of it. */
const MOST = 60
const USUAL = 2 // seconds between

/** Told to the window while it waits for the server, and when that answers again. */
export const WAITING = 'jindle-waiting'

const told = (waits: boolean) =>
  window.dispatchEvent(new CustomEvent<boolean>(WAITING, { detail: waits }))

/**
 * Asks, and asks again while nothing can be answered and nothing can have been begun: reading always, writing
 * only where the server says so.
 */
export async function patient(request: Request): Promise<Response> {
  for (let turn = 0; ; turn++) {
    const answer = await fetch(request.clone())
    const again = answer.status === 503 && turn < MOST && (await mayAgain(request, answer))
    if (!again) {
      if (turn) told(false)
      return answer
    }
    told(true)
    const seconds = Number(answer.headers.get('Retry-After')) || USUAL
    await new Promise((done) => setTimeout(done, seconds * 1000))
  }
}

async function mayAgain(request: Request, answer: Response): Promise<boolean> {
  const { code } = await answer
    .clone()
    .json()
    .catch(() => ({}))
  return code === 'away' || (request.method === 'GET' && code === 'lost_midway')
}
