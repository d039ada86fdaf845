import { answer } from '../answer'

const LARGEST_BYTES = 512 * 1024

/** A kit, a scheme and what may not move to ranked plans, as the command `plan`. */
export async function POST(request: Request): Promise<Response> {
  return answer(request, 'plan', LARGEST_BYTES)
}
