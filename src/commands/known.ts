import { ANYWHERE_COMMANDS } from './anywhere'
import { KIT_COMMANDS } from './kit'
import { LOGBOOK_COMMANDS } from './logbook'
import { PLACE_COMMANDS } from './places'
import type { Command, Place } from './types'

export const at = (places: readonly Place[], commands: readonly Command[]): Command[] =>
  commands.map((command) => ({ ...command, at: places }))

/** What works on every place, loaded with the frame; a place brings its own with itself. */
export const LIGHT_COMMANDS: readonly Command[] = [
  ...PLACE_COMMANDS,
  ...at(['/'], KIT_COMMANDS),
  ...at(['/logbook', '/'], LOGBOOK_COMMANDS),
  ...ANYWHERE_COMMANDS,
]

let known: readonly Command[] = LIGHT_COMMANDS
const listeners = new Set<() => void>()

/** The commands that are loaded by now. */
export const knownCommands = () => known

/** A place brings its commands along; those that are known already stay. */
export function know(commands: readonly Command[]): void {
  const more = commands.filter(({ id }) => !known.some((each) => each.id === id))
  if (more.length === 0) return
  known = [...known, ...more]
  for (const listener of listeners) listener()
}

export function onKnown(listener: () => void): () => void {
  listeners.add(listener)
  return () => listeners.delete(listener)
}

/** A command that is loaded; undefined for one that is not, or is none. */
export const knownCommand = (id: string): Command | undefined => known.find((each) => each.id === id)
