import { drillCommand } from './drill'
import { evenCommand } from './even'
import { listenCommand } from './listen'
import { measureCommand } from './measure'
import { pairCommand } from './pair'
import { planCommand } from './plan'
import { stateCommand } from './state'
import { unwritable } from './options'
import { tapCommand } from './tap'

const COMMANDS: Record<string, (args: string[]) => Promise<number> | number> = {
  measure: measureCommand,
  listen: listenCommand,
  even: evenCommand,
  pair: pairCommand,
  plan: planCommand,
  state: stateCommand,
  tap: tapCommand,
  drill: drillCommand,
}

const HELP = `humbra COMMAND [options]

  measure FILE.wav ...   taps in recordings, one line of JSON a tap
  listen FILE.wav        what the Bench hears hands free in a recording, one line of JSON an event
  even                   requests on standard input, the next pass on standard output
  pair                   requests on standard input, both heads' pitches and turns on standard output
  plan                   requests on standard input, ranked plans of a kit on standard output
  state FILE             what the app would say of a kit, from its file, one line of JSON a head
  tap --out FILE.wav     a tap on the practice drum, and its truth
  drill --kind KIND      an ear drill: a trial a line out, an answer a line in

humbra COMMAND --help says more. Exit code 0 when all was answered, 1 when something was refused, 2 for wrong usage.
`

/** Runs one command; @returns the exit code. */
export async function main(args: string[]): Promise<number> {
  // A reader that stops listening (a closed pipe) is no error of ours.
  process.stdout.on('error', (error: NodeJS.ErrnoException) => {
    if (error.code === 'EPIPE') return
    process.stderr.write(`humbra: the answers cannot be written: ${unwritable(error)}\n`)
    process.exit(1)
  })
  const [name, ...rest] = args
  if (name === '--help' || name === '-h') {
    process.stdout.write(HELP)
    return 0
  }
  const command = name !== undefined && Object.hasOwn(COMMANDS, name) ? COMMANDS[name] : undefined
  if (!command) {
    process.stderr.write(name === undefined ? HELP : `humbra: there is no command ${name}\n\n${HELP}`)
    return 2
  }
  return command(rest)
}
