import { at, know } from './known'
import { RUN_COMMANDS } from './run'

/** What is done in a retune run: loaded with its place. */
export const AT_RUN_COMMANDS = at(['/run'], RUN_COMMANDS)

know(AT_RUN_COMMANDS)
