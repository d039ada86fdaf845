import { planKit } from '@/core/spacing/plan'
import { parsePlanRequest } from '@/core/records/plan'
import { planAnswerRecord } from '@/text/spacing'
import { answerJson } from '../answer'

/** A kit, a scheme and what may not move to ranked plans, as the command `plan`. */
export async function POST(request: Request): Promise<Response> {
  return answerJson(request, parsePlanRequest, (asked) => planAnswerRecord(asked, planKit(asked)))
}
