import { targetMeanHz } from '@/core/evening/types'
import { even } from '@/core/evening/even'
import { parseEvenRequest } from '@/core/records/even'
import { evenAnswerRecord } from '@/text/evenAnswer'
import { linesCommand } from './lines'

const HELP = `humbra even

One request a line on standard input: {"head":{...},"target":{"hz":234},"rounds":[{"readingsHz":[...]}]}
One answer a line on standard output: the next pass.
`

export function evenCommand(args: string[]): Promise<number> {
  return linesCommand(args, HELP, parseEvenRequest, (request) =>
    evenAnswerRecord(even(request), targetMeanHz(request.target) === null),
  )
}
