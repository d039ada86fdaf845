import { Readable } from 'node:stream'
import { main } from './main'

export interface Said {
  status: number
  stdout: string
  stderr: string
}

/** Runs a command in this process as the shell would start it, with all that it is to read; for tests. */
export async function run(args: string[], input = ''): Promise<Said> {
  const said = { stdout: '', stderr: '' }
  const { stdin } = process
  const into = (name: 'stdout' | 'stderr') =>
    jest.spyOn(process[name], 'write').mockImplementation((text) => {
      said[name] += String(text)
      return true
    })
  const spies = [into('stdout'), into('stderr')]
  Object.defineProperty(process, 'stdin', { value: Readable.from([input]), configurable: true })
  try {
    return { status: await main(args), ...said }
  } finally {
    Object.defineProperty(process, 'stdin', { value: stdin, configurable: true })
    spies.forEach((spy) => spy.mockRestore())
    process.stdout.removeAllListeners('error')
  }
}

export const linesOf = (text: string) =>
  text
    .trim()
    .split('\n')
    .map((line) => JSON.parse(line) as Record<string, unknown>)
