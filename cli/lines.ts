import { createInterface } from 'node:readline'
import type { Checked } from '@/core/records/problem'
import { readOptions, writeLine } from './options'

/** A command that takes one JSON request a line and answers each with a line, in order. */
export async function linesCommand<Request>(
  args: string[],
  help: string,
  parse: (input: unknown) => Checked<Request>,
  answer: (request: Request) => object,
): Promise<number> {
  const options = readOptions(args, [], help)
  if (typeof options === 'number') return options
  const answerTo = (line: string): object => {
    let input: unknown
    try {
      input = JSON.parse(line)
    } catch {
      return { error: { where: 'request', what: 'not JSON: one request a line, in double quotes' } }
    }
    const request = parse(input)
    if (!request.ok) return { error: request.problem }
    try {
      return answer(request.value)
    } catch (error) {
      // A fault of ours takes its own request along, not those behind it.
      process.stderr.write(`${(error as Error).stack ?? String(error)}\n`)
      return { error: { where: 'request', what: 'this request could not be worked out; the others go on' } }
    }
  }
  let refused = false
  for await (const line of createInterface({ input: process.stdin, crlfDelay: Infinity })) {
    if (line.trim() === '') continue
    const said = answerTo(line)
    refused ||= 'error' in said
    writeLine(said)
  }
  return refused ? 1 : 0
}
