import { answer } from '../answer'

/** A minute of the largest common recording. */
const LARGEST_BYTES = 32 * 1024 * 1024

/** A WAV, FLAC or AIFF file as the body, the options of `measure` as the query; its taps as JSON. Holds nothing. */
export async function POST(request: Request): Promise<Response> {
  return answer(request, 'measure', LARGEST_BYTES)
}
