import { answer } from '../answer'

const LARGEST_BYTES = 512 * 1024

/** Both heads of a drum, as the command `pair`. */
export async function POST(request: Request): Promise<Response> {
  return answer(request, 'pair', LARGEST_BYTES)
}
