import { planKit } from '@/core/spacing/plan'
import { parsePlanRequest } from '@/core/records/plan'
import { planAnswerRecord } from '@/text/spacing'
import { linesCommand } from './lines'

const HELP = `humbra plan

One request a line on standard input:
  {"drums":[{"id":"t1","name":"10","kind":"tom","diameterInches":10,"lowestHz":210,"highestHz":345,"favouriteHz":290,
   "ceilingHz":380,"resonantCeilingHz":420,"now":{"batterHz":300,"resonantHz":320}}, ...],
   "scheme":{"kind":"fourths"},"headRelation":{"resonantAboveCents":498},"fixed":[],"avoidHz":[41.2],"avoidWithinCents":50}
scheme: fourths, fifth, thirds, major-triad, free, {"kind":"equal","cents":350}, {"kind":"steps","cents":[500,400]} (smallest first).
Also: pinned {id: Hz}, rootHz, favourHz, anchor lowest|smallest, leastWork 0 to 1, a4Hz, keys 1|2.
One answer a line on standard output: ranked plans, the first the best there is, each with what it gives up.
`

export function planCommand(args: string[]): Promise<number> {
  return linesCommand(args, HELP, parsePlanRequest, (request) => planAnswerRecord(request, planKit(request)))
}
