import { CHEAP_MS, costMs, Lane } from '@/server/cost'
import type { Asking, Answer } from '@/server/protocol'
import { availableParallelism } from 'node:os'
import { join } from 'node:path'
import { Piscina } from 'piscina'

const WHY = {
  late: [422, 'takes longer than four and a half seconds: ask for less at once, such as fewer rounds'],
  busy: [503, 'too many requests are waiting: try again in a moment'],
  failed: [422, 'could not be worked out: ask for less at once'],
} as const

/** One request in, one answer out, as the command of that name, off the event loop. Holds nothing. */
export async function answer(
  request: Request,
  what: Asking['what'],
  largestBytes: number,
): Promise<Response> {
  const length = Number(request.headers.get('content-length') ?? 0)
  if (holdingBytes + length > MOST_HELD_BYTES) return refuseBecause('busy')
  holdingBytes += length
  try {
    const body = await readBody(request, largestBytes)
    if (!body.ok) return body.response
    const query = Object.fromEntries(new URL(request.url).searchParams)
    const result = await answered({ what, bytes: body.bytes, query })
    if (result.ok) return Response.json(result.answer.body, { status: result.answer.status })
    return refuseBecause(result.why)
  } finally {
    holdingBytes -= length
  }
}

function refuseBecause(why: keyof typeof WHY): Response {
  const [status, words] = WHY[why]
  return refuse(status, 'request', words)
}

/** Bodies of all requests together, as far as they say how long they are. */
const MOST_HELD_BYTES = 128 * 1024 * 1024
let holdingBytes = 0

/** As many jobs at once as there are cores, and never fewer than two, in each lane: what is cheap never waits for what is dear. */
const THREADS = Math.max(2, availableParallelism())

const DEADLINE_MS = 4500

const MEMORY_MB = 512

/** Built by scripts/build-answers.mjs. */
const WORKER = join(process.cwd(), '.cache', 'server', 'answers.mjs')

// Every route is a bundle of its own: they share the lanes by a name that all of them know.
const NAME = Symbol.for('humbra.answers')

type Lanes = Record<'cheap' | 'dear', { lane: Lane; pool: Piscina | null }>
const shared = globalThis as { [NAME]?: Lanes }

const newLane = () => ({ lane: new Lane(THREADS, DEADLINE_MS), pool: null })
const laneOf = (ms: number) =>
  (shared[NAME] ??= { cheap: newLane(), dear: newLane() })[ms <= CHEAP_MS ? 'cheap' : 'dear']

const newPool = () =>
  new Piscina({
    filename: WORKER,
    minThreads: 1,
    maxThreads: THREADS,
    resourceLimits: { maxOldGenerationSizeMb: MEMORY_MB },
  })

type Answered = { ok: true; answer: Answer } | { ok: false; why: keyof typeof WHY }

/** Has a request answered off the event loop, within the deadline or not at all: then its thread is ended. */
async function answered(asking: Asking): Promise<Answered> {
  const ms = costMs(asking)
  const own = laneOf(ms)
  const why = own.lane.refuses(ms)
  if (why) return { ok: false, why }
  const pool = (own.pool ??= newPool())
  const deadline = new AbortController()
  const timer = setTimeout(() => deadline.abort(), DEADLINE_MS)
  try {
    const answer = await own.lane.run(ms, () => pool.run(asking, { signal: deadline.signal }))
    return { ok: true, answer: answer as Answer }
  } catch {
    return { ok: false, why: deadline.signal.aborted ? 'late' : 'failed' }
  } finally {
    clearTimeout(timer)
  }
}

/** An error in the shape of the shell commands: where it stands, and what was expected there. */
function refuse(status: number, where: string, what: string): Response {
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
async function readBody(
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
