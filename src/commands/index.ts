import { ANYWHERE_COMMANDS } from './anywhere'
import { AT_RUN_COMMANDS } from './atRun'
import { BENCH_COMMANDS } from './bench'
import { KIT_COMMANDS } from './kit'
import { at, know } from './known'
import { LOGBOOK_COMMANDS } from './logbook'
import { PLACE_COMMANDS } from './places'
import type { Command } from './types'

/** All commands, in the order of the palette and the sheet of keys. */
export const COMMANDS: readonly Command[] = [
  ...PLACE_COMMANDS,
  ...BENCH_COMMANDS,
  ...AT_RUN_COMMANDS,
  ...at(['/'], KIT_COMMANDS),
  ...at(['/logbook', '/'], LOGBOOK_COMMANDS),
  ...ANYWHERE_COMMANDS,
]

know(COMMANDS)

export function commandById(id: string): Command {
  const command = COMMANDS.find((each) => each.id === id)
  if (!command) throw new Error(`no command ${id}`)
  return command
}
