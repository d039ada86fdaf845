import { ANYWHERE_COMMANDS } from './anywhere'
import { DRUM_COMMANDS } from './drums'
import { KIT_COMMANDS } from './kit'
import { PLACE_COMMANDS } from './places'
import { PRACTICE_COMMANDS } from './practice'
import { READ_COMMANDS } from './read'
import { RUN_COMMANDS } from './run'
import { STEP_COMMANDS } from './steps'
import { TURN_COMMANDS } from './turn'
import type { Command, Place } from './types'

const at = (places: readonly Place[], commands: readonly Command[]) =>
  commands.map((command) => ({ ...command, at: places }))

/** All commands, in the order of the palette and the sheet of keys. */
export const COMMANDS: readonly Command[] = [
  ...PLACE_COMMANDS,
  ...at(
    ['/bench'],
    [...READ_COMMANDS, ...TURN_COMMANDS, ...STEP_COMMANDS, ...DRUM_COMMANDS, ...PRACTICE_COMMANDS],
  ),
  ...at(['/run'], RUN_COMMANDS),
  ...at(['/'], KIT_COMMANDS),
  ...ANYWHERE_COMMANDS,
]

export function commandById(id: string): Command {
  const command = COMMANDS.find((each) => each.id === id)
  if (!command) throw new Error(`no command ${id}`)
  return command
}

/** A shortcut as people read it. */
export function shortcutText(shortcut: string, mac: boolean): string {
  return shortcut
    .split(' ')
    .map((press) =>
      press
        .replace('$mod', mac ? '⌘' : 'Ctrl')
        .replace('Shift+?', '?')
        .split('+')
        .map((key) => (key.length === 1 ? key.toUpperCase() : key))
        .join(' + '),
    )
    .join(' then ')
}

/** Whether a command's key does anything where one is. */
export function worksAt({ at: places }: Command, path: string): boolean {
  return places === undefined || (places as readonly string[]).includes(path)
}

/** Works while typing in a field too: has a modifier. */
export function hasModifier(shortcut: string): boolean {
  return shortcut.includes('$mod')
}
