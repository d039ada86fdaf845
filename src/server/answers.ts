import { targetMeanHz } from '@/core/evening/types'
import { decodeSound } from '@/audio/decodeSound'
import { even } from '@/core/evening/even'
import { measureSound } from '@/core/measurement/measure'
import { solvePair } from '@/core/pair/solve'
import { parseEvenRequest } from '@/core/records/even'
import { parseMeasureQuery } from '@/core/records/measure'
import { parsePairRequest } from '@/core/records/pair'
import { parsePlanRequest } from '@/core/records/plan'
import type { Checked } from '@/core/records/problem'
import { toMono } from '@/core/sound/wav'
import { planKit } from '@/core/spacing/plan'
import { evenAnswerRecord } from '@/text/evenAnswer'
import { pairAnswerRecord } from '@/text/pair'
import { planAnswerRecord } from '@/text/spacing'
import { tapRecord } from '@/text/tapRecord'
import type { Answer, Asking } from './protocol'

/** Of one recording, all channels together: a minute of stereo at the highest rate. */
const MOST_SAMPLES = 24_000_000

const refused = (status: number, where: string, what: string): Answer => ({
  status,
  body: { error: { where, what } },
})

function json<Asked>(
  bytes: Uint8Array,
  parse: (input: unknown) => Checked<Asked>,
  answer: (asked: Asked) => object,
): Answer {
  let input: unknown
  try {
    input = JSON.parse(new TextDecoder().decode(bytes))
  } catch {
    return refused(400, 'request', 'not JSON: one request, in double quotes')
  }
  const parsed = parse(input)
  if (!parsed.ok) return refused(422, parsed.problem.where, parsed.problem.what)
  return { status: 200, body: answer(parsed.value) }
}

async function measured(bytes: Uint8Array, asked: Record<string, string>): Promise<Answer> {
  const query = parseMeasureQuery(asked)
  if (!query.ok) return refused(422, query.problem.where, query.problem.what)
  const read = await decodeSound(bytes, MOST_SAMPLES)
  if (!read.ok) return refused(422, 'body', read.why)
  const { options, a4Hz } = query.value
  const taps = measureSound(toMono(read.sound), read.sound.rateHz, options)
  return { status: 200, body: { taps: taps.map((tap) => tapRecord(tap, a4Hz)) } }
}

/** One request in, one answer out, in a thread of its own (`pool`): the same functions as the commands. */
export default async function answer({ what, bytes, query }: Asking): Promise<Answer> {
  switch (what) {
    case 'even':
      return json(bytes, parseEvenRequest, (asked) =>
        evenAnswerRecord(even(asked), targetMeanHz(asked.target) === null),
      )
    case 'pair':
      return json(bytes, parsePairRequest, (asked) => pairAnswerRecord(solvePair(asked), asked.now))
    case 'plan':
      return json(bytes, parsePlanRequest, (asked) => planAnswerRecord(asked, planKit(asked)))
    case 'measure':
      return measured(bytes, query)
  }
}
