import { describe, expect, it } from 'vitest'
import { asked, settled } from '@/testing'
import { ApiError } from './client'
import { follow } from './stream'

type Line = { share?: number; id?: number }

/** An answer whose bytes come in pieces as they are cut here. */
function inPieces(...pieces: string[]) {
  const bytes = new TextEncoder()
  return new Response(
    new ReadableStream({
      start(out) {
        for (const piece of pieces) out.enqueue(bytes.encode(piece))
        out.close()
      },
    }),
  )
}

async function followed(answer: Response, seen: Line[] = []) {
  const done = follow<Line>('/api/ranges/import', { name: 'x' }, (line) => seen.push(line))
  const caught = done.catch((error: unknown) => error)
  await settled()
  await asked[0]!.answer(answer)
  return await caught
}

describe('an answer that tells its progress', () => {
  it('is told line by line, however its bytes are cut, and ends with the result', async () => {
    const seen: Line[] = []
    const last = await followed(
      inPieces('{"share": 0.', '5}\n{"share"', ': 1}\n\n{"id": ', '7}'),
      seen,
    )
    expect(seen).toEqual([{ share: 0.5 }, { share: 1 }, { id: 7 }])
    expect(last).toEqual({ id: 7 })
    expect([asked[0]!.method, asked[0]!.body]).toEqual(['POST', { name: 'x' }])
  })

  it('that breaks midway throws what the server says, with every problem', async () => {
    const problems = [{ message: 'Row 3 has no code.', field: '', row: 3 }]
    const told = { code: 'bad', message: 'Row 3 has no code.', problems }
    const error = await followed(inPieces('{"share": 0.5}\n', JSON.stringify({ error: told })))
    expect(error).toBeInstanceOf(ApiError)
    expect((error as ApiError).message).toBe('Row 3 has no code.')
    expect((error as ApiError).problems).toEqual(problems)
  })

  it('that is cut off says that nothing was stored', async () => {
    const error = (await followed(inPieces())) as ApiError
    expect([error.code, error.message]).toEqual([
      'cut off',
      'The answer was cut off. Nothing was stored.',
    ])
  })

  it('that is refused throws its status and words, and has words where the server has none', async () => {
    const refused = new Response('{"code": "full", "message": "No room."}', { status: 400 })
    const error = (await followed(refused)) as ApiError
    expect([error.status, error.message]).toEqual([400, 'No room.'])
    asked.length = 0
    const broken = (await followed(new Response('<html>', { status: 502 }))) as ApiError
    expect(broken.message).toBe('The server answered with 502 and no reason.')
  })

  it('without a network says so', async () => {
    const done = follow('/api/x', new FormData(), () => {}).catch((error: unknown) => error)
    await settled()
    await asked[0]!.fail()
    expect(((await done) as ApiError).code).toBe('offline')
  })
})
