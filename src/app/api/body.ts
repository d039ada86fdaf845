/** An error in the shape of the shell commands: where it stands, and what was expected there. */
export function refuse(status: number, where: string, what: string): Response {
  return Response.json({ error: { where, what } }, { status })
}

/** A body of which nothing came for so long is given up. */
const STOPPED_MS = 10_000

async function inTime<Piece>(piece: Promise<Piece>): Promise<Piece | null> {
  let timer: ReturnType<typeof setTimeout> | undefined
  const late = new Promise<null>((resolve) => (timer = setTimeout(() => resolve(null), STOPPED_MS)))
  try {
    return await Promise.race([piece, late])
  } finally {
    clearTimeout(timer)
  }
}

/** Reads a body up to a limit; what is larger is refused before it is held in memory. */
export async function readBody(
  request: Request,
  largestBytes: number,
): Promise<{ ok: true; bytes: Uint8Array } | { ok: false; response: Response }> {
  const tooLarge = () => refuse(413, 'request', `larger than ${Math.round(largestBytes / 1024)} KB`)
  if (Number(request.headers.get('content-length') ?? 0) > largestBytes)
    return { ok: false, response: tooLarge() }
  if (!request.body) return { ok: false, response: refuse(400, 'request', 'empty') }
  const chunks: Uint8Array[] = []
  let size = 0
  for (const reader = request.body.getReader(); ;) {
    const piece = await inTime(reader.read())
    if (piece === null) {
      void reader.cancel().catch(() => undefined)
      return { ok: false, response: refuse(408, 'request', 'its body stopped coming: send it again') }
    }
    const { done, value } = piece
    if (done) break
    size += value.length
    if (size > largestBytes) {
      await reader.cancel()
      return { ok: false, response: tooLarge() }
    }
    chunks.push(value)
  }
  const bytes = new Uint8Array(size)
  let at = 0
  for (const chunk of chunks) {
    bytes.set(chunk, at)
    at += chunk.length
  }
  return size ? { ok: true, bytes } : { ok: false, response: refuse(400, 'request', 'empty') }
}
