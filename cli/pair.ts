import { solvePair } from '@/core/pair/solve'
import { parsePairRequest } from '@/core/records/pair'
import { pairAnswerRecord } from '@/text/pair'
import { linesCommand } from './lines'

const HELP = `humbra pair

One request a line on standard input:
  {"drum":{"diameterInches":12,"depthInches":8,"lugs":6,"threadPitchMm":1.058,"batter":{"pliesMils":[7,7]},
   "resonant":{"pliesMils":[10]},"port":null,"kind":"tom"},
   "now":{"batterHz":180,"resonantHz":190,"centreHz":null},"want":{"batterHz":200,"resonantAboveCents":498}}
now holds what was read, null for the rest: edge and centre alone tell of the other head. "resonant":null is a drum of one head.
want takes exactly two of batterHz, resonantHz, centreHz, ratio, resonantAboveCents; on one head batterHz or centreHz.
One answer a line on standard output: both lug pitches, and the turns of every rod of each head.
`

export function pairCommand(args: string[]): Promise<number> {
  return linesCommand(args, HELP, parsePairRequest, (request) =>
    pairAnswerRecord(solvePair(request), request.now),
  )
}
