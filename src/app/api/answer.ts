import type { Checked } from '@/core/records/problem'
import { readBody, refuse } from './body'

const LARGEST_BYTES = 512 * 1024

/** One JSON request in, one answer out, as the command of that name. Holds nothing. */
export async function answerJson<Asked>(
  request: Request,
  parse: (input: unknown) => Checked<Asked>,
  answer: (asked: Asked) => object,
): Promise<Response> {
  const body = await readBody(request, LARGEST_BYTES)
  if (!body.ok) return body.response
  let input: unknown
  try {
    input = JSON.parse(new TextDecoder().decode(body.bytes))
  } catch {
    return refuse(400, 'request', 'not JSON: one request, in double quotes')
  }
  const parsed = parse(input)
  if (!parsed.ok) return refuse(422, parsed.problem.where, parsed.problem.what)
  return Response.json(answer(parsed.value))
}
