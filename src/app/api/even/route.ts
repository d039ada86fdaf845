import { even } from '@/core/evening/even'
import { parseEvenRequest } from '@/core/records/even'
import { evenAnswerRecord } from '@/text/evenAnswer'
import { answerJson } from '../answer'

/** The next pass, as the command `even`. */
export async function POST(request: Request): Promise<Response> {
  return answerJson(request, parseEvenRequest, (asked) => evenAnswerRecord(even(asked)))
}
