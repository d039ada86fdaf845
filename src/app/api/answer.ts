import { answered } from '@/server/pool'
import type { Asking } from '@/server/protocol'
import { readBody, refuse } from './body'

const WHY = {
  late: [422, 'took longer than four and a half seconds: ask for less at once, such as fewer rounds'],
  busy: [503, 'too many requests are waiting: try again in a moment'],
  failed: [422, 'could not be worked out: ask for less at once'],
} as const

/** One request in, one answer out, as the command of that name, off the event loop. Holds nothing. */
export async function answer(
  request: Request,
  what: Asking['what'],
  largestBytes: number,
): Promise<Response> {
  const body = await readBody(request, largestBytes)
  if (!body.ok) return body.response
  const query = Object.fromEntries(new URL(request.url).searchParams)
  const result = await answered({ what, bytes: body.bytes, query })
  if (result.ok) return Response.json(result.answer.body, { status: result.answer.status })
  const [status, words] = WHY[result.why]
  return refuse(status, 'request', words)
}
