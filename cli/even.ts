import { createInterface } from 'node:readline'
import { even } from '@/core/evening/even'
import { parseEvenRequest } from '@/core/records/even'
import { evenAnswerRecord } from '@/text/evenAnswer'
import { readOptions, writeLine } from './options'

const HELP = `humbra even

One request a line on standard input: {"head":{...},"target":{"hz":234},"rounds":[{"readingsHz":[...]}]}
One answer a line on standard output: the next pass. Not taken yet, and refused by name: gauge, gaugeLaw, gaugeError,
feel, offsetTurns, a standing microphone.
`

export async function evenCommand(args: string[]): Promise<number> {
  const options = readOptions(args, [], HELP)
  if (typeof options === 'number') return options
  let refused = false
  for await (const line of createInterface({ input: process.stdin, crlfDelay: Infinity })) {
    if (line.trim() === '') continue
    const answer = answerTo(line)
    refused ||= 'error' in answer
    writeLine(answer)
  }
  return refused ? 1 : 0
}

function answerTo(line: string): object {
  let input: unknown
  try {
    input = JSON.parse(line)
  } catch {
    return { error: { where: 'request', what: 'not JSON: one request a line, in double quotes' } }
  }
  const request = parseEvenRequest(input)
  return request.ok ? evenAnswerRecord(even(request.value)) : { error: request.problem }
}
