import { decodeSound } from '@/audio/decodeSound'
import { measureSound } from '@/core/measurement/measure'
import { parseMeasureQuery } from '@/core/records/measure'
import { toMono } from '@/core/sound/wav'
import { tapRecord } from '@/text/tapRecord'
import { readBody, refuse } from '../body'

/** A minute of the largest common recording. */
const LARGEST_BYTES = 32 * 1024 * 1024

/** A WAV, FLAC or AIFF file as the body, the options of `measure` as the query; its taps as JSON. Holds nothing. */
export async function POST(request: Request): Promise<Response> {
  const query = parseMeasureQuery(Object.fromEntries(new URL(request.url).searchParams))
  if (!query.ok) return refuse(422, query.problem.where, query.problem.what)
  const body = await readBody(request, LARGEST_BYTES)
  if (!body.ok) return body.response
  const read = await decodeSound(body.bytes)
  if (!read.ok) return refuse(422, 'body', read.why)
  const { options, a4Hz } = query.value
  const taps = measureSound(toMono(read.sound), read.sound.rateHz, options)
  return Response.json({ taps: taps.map((tap) => tapRecord(tap, a4Hz)) })
}
