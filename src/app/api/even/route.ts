import { answer } from '../answer'

const LARGEST_BYTES = 512 * 1024

/** The next pass, as the command `even`. */
export async function POST(request: Request): Promise<Response> {
  return answer(request, 'even', LARGEST_BYTES)
}
