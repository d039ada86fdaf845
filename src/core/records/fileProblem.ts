import type { z } from 'zod'
import { firstProblem } from './problem'

/** What a kind of event is called when one of a file is wrong. */
const THINGS: Record<string, string> = {
  readingTaken: 'Reading',
  centreRead: 'Centre reading',
  headRead: 'Whole-head reading',
  gaugeRead: 'Dial reading',
  earHeard: 'Reading by ear',
  rodsTurned: 'Turn',
  sheetKept: 'Kept target',
  runStarted: 'Retune run',
}
const FIELDS: Record<string, string> = {
  hz: 'a pitch',
  meanHz: 'a pitch',
  centreHz: 'a centre pitch',
  batterHz: 'a batter pitch',
  resonantHz: 'a resonant pitch',
  standardErrorHz: 'an error',
  decaySeconds: 'a ring',
  lug: 'a lug number',
  lugs: 'a number of lugs',
  dial: 'a dial number',
  diameterInches: 'a diameter',
  depthInches: 'a depth',
  at: 'a time',
  toleranceCents: 'a tolerance',
  turns: 'turns',
}
const UNITS: Array<[RegExp, string]> = [
  [/Hz$|^hz$/, ' Hz'],
  [/Cents$/, ' cents'],
  [/Inches$/, ' inches'],
  [/Seconds$/, ' seconds'],
]

/**
 * What is wrong with a kit file, as one says it of a drum: "Reading 7 has a pitch of 3 Hz."; and for those who look into files,
 * where that stands and what was expected.
 */
export function fileProblem(error: z.ZodError, file: unknown): { says: string; details: string } {
  const { where, what } = firstProblem(error)
  const { path, code } = error.issues[0]
  const details = `${where}: ${what}`
  const events = (file as { events?: unknown }).events
  if (path[0] !== 'events' || typeof path[1] !== 'number' || !Array.isArray(events))
    return { says: 'Part of the kit file cannot be read.', details }
  const at = path[1]
  const kind = kindOf(events[at])
  const thing = thingAt(events, at, kind)
  const name = path.findLast((part) => typeof part === 'string' && part !== 'events') as string | undefined
  const field = name && FIELDS[name]
  const value = path.reduce<unknown>((inner, part) => (inner as Record<PropertyKey, unknown>)?.[part], file)
  if (code === 'unrecognized_keys' || !field || typeof value === 'object' || value === undefined)
    return { says: `${thing} cannot be read.`, details }
  const unit = UNITS.find(([pattern]) => pattern.test(name))?.[1] ?? ''
  const shown =
    typeof value === 'number' ? `${Number(value.toPrecision(6))}${unit}` : `“${String(value).slice(0, 40)}”`
  return { says: `${thing} has ${field} of ${shown}, which no drum has.`, details }
}

const kindOf = (event: unknown) => String((event as { kind?: unknown } | null)?.kind ?? '')

function thingAt(events: readonly unknown[], at: number, kind: string): string {
  const drum = (events[at] as { change?: { drum?: { name?: unknown } } } | null)?.change?.drum?.name
  if (typeof drum === 'string' && drum) return `The drum ${drum.slice(0, 40)}`
  const name = THINGS[kind]
  if (!name) return `Entry ${at + 1} of the log`
  const before = events.slice(0, at + 1).filter((event) => kindOf(event) === kind).length
  return `${name} ${before}`
}
