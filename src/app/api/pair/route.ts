import { solvePair } from '@/core/pair/solve'
import { parsePairRequest } from '@/core/records/pair'
import { pairAnswerRecord } from '@/text/pair'
import { answerJson } from '../answer'

/** Both heads of a drum, as the command `pair`. */
export async function POST(request: Request): Promise<Response> {
  return answerJson(request, parsePairRequest, (asked) => pairAnswerRecord(solvePair(asked), asked.now))
}
