import { DRUM_COMMANDS } from './drums'
import { at, know } from './known'
import { PRACTICE_COMMANDS } from './practice'
import { READ_COMMANDS } from './read'
import { STEP_COMMANDS } from './steps'
import { TURN_COMMANDS } from './turn'

/** What is done at the drum: loaded with the Bench. */
export const BENCH_COMMANDS = at(
  ['/bench'],
  [...READ_COMMANDS, ...TURN_COMMANDS, ...STEP_COMMANDS, ...DRUM_COMMANDS, ...PRACTICE_COMMANDS],
)

know(BENCH_COMMANDS)
