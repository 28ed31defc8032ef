import { patient } from './again'
import { ApiError } from './client'

type Line = { error?: { code: string; message: string; problems: ApiError['problems'] } }

/** Post and follow an answer that tells its progress: one JSON object a line, the last the result. */
export async function follow<T extends object>(
  path: string,
  body: FormData | object,
  onLine: (line: T) => void,
  signal?: AbortSignal,
): Promise<T> {
  const isForm = body instanceof FormData
  const token = document.cookie.match(/csrftoken=([^;]+)/)?.[1] ?? ''
  const question = new Request(new URL(path, location.href), {
    method: 'POST',
    signal,
    headers: { 'X-CSRFToken': token, ...(isForm ? {} : { 'Content-Type': 'application/json' }) },
    body: isForm ? body : JSON.stringify(body),
  })
  const response = await patient(question).catch(() => {
    throw new ApiError(0, 'offline', 'The server cannot be reached. Nothing was stored; try again.')
  })
  if (!response.ok || !response.body) {
    const told = await response.json().catch(() => null)
    throw new ApiError(
      response.status,
      told?.code ?? 'unknown',
      told?.message ?? `The server answered with ${response.status} and no reason.`,
      told?.problems,
    )
  }
  let last: T | null = null
  for await (const text of lines(response.body)) {
    const line = JSON.parse(text) as T & Line
    if (line.error)
      throw new ApiError(400, line.error.code, line.error.message, line.error.problems)
    last = line
    onLine(last)
  }
  if (!last) throw new ApiError(0, 'cut off', 'The answer was cut off. Nothing was stored.')
  return last
}

async function* lines(body: ReadableStream<Uint8Array<ArrayBuffer>>) {
  const reader = body.pipeThrough(new TextDecoderStream()).getReader()
  let rest = ''
  for (;;) {
    const { value, done } = await reader.read()
    if (done) break
    const parts = (rest + value).split('\n')
    rest = parts.pop() ?? ''
    yield* parts.filter(Boolean)
  }
  if (rest) yield rest
}
