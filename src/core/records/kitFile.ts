import { z } from 'zod'
import { eventSchema } from './event'
import { MOST_DRUMS, SCHEMA_VERSION } from './plain'
import { idSchema } from './kit'
import { practiceStateSchema } from './practice'
import { takeSchema } from './take'
import { migrateEvent, withOrder } from './migrations'
import { moment } from './primitives'
import { firstProblem } from './problem'

/** One kit in one JSON file: the format that Humbra exports and imports (docs/kit-file.md). */
const KIT_FILE_FORMAT = 'humbra-kit'

/** A lifetime of tuning every day. */
const MOST_EVENTS = 1_000_000

export const kitFileSchema = z.strictObject({
  format: z.literal(KIT_FILE_FORMAT),
  schema: z.int().min(1),
  exportedAt: moment,
  kit: idSchema,
  events: z.array(eventSchema).min(1).max(MOST_EVENTS),
  practice: z.array(practiceStateSchema).max(200),
  /** Sounds of readings, where the user wanted them kept. */
  takes: z.array(takeSchema).max(MOST_EVENTS).optional(),
})

export type KitFile = z.infer<typeof kitFileSchema>

export type KitFileResult =
  | { ok: true; file: KitFile }
  /** In a sentence for a drummer, and where in the file it stands for those who look. */
  | { ok: false; why: string; details?: string }

/** Reads a kit file of this form or an older one. Broken, foreign and newer files come back as a plain sentence. */
export function readKitFile(text: string): KitFileResult {
  try {
    return kitFileOf(JSON.parse(text) as unknown)
  } catch {
    return { ok: false, why: DAMAGED }
  }
}

const DAMAGED = 'The file is damaged or no kit file: it could not be read to its end. Nothing was changed.'

/** The same of what was JSON already. */
export function kitFileOf(raw: unknown): KitFileResult {
  const fail = (why: string, details?: string): KitFileResult => ({
    ok: false,
    why: `${why} Nothing was changed.`,
    ...(details ? { details } : {}),
  })
  const head = z.object({ format: z.literal(KIT_FILE_FORMAT), schema: z.number() }).safeParse(raw)
  if (!head.success) return fail('This is not a Humbra kit file. Choose one that was exported here.')
  const { schema } = head.data
  if (!isForm(schema))
    return fail(`The kit file is damaged: it says that it is of form ${schema}, and there is none.`)
  if (schema > SCHEMA_VERSION) {
    return fail(
      `This file comes from a newer Humbra (form ${schema}, this one reads up to ${SCHEMA_VERSION}). Update Humbra and try again.`,
    )
  }
  const parsed = kitFileSchema.safeParse(migrated(raw as Record<string, unknown>))
  if (!parsed.success) {
    const { says, details } = fileProblem(parsed.error, raw)
    return fail(`The kit file is damaged. ${says}`, details)
  }
  const file = parsed.data
  if (file.events.some((event) => event.kit !== file.kit))
    return fail('The kit file mixes events of several kits.')
  const ids = new Set<string>()
  for (const [i, { id }] of file.events.entries()) {
    if (ids.has(id))
      return fail(
        'The kit file says two things under one name: entries of its log share an id.',
        `events[${i}].id: ${id} again`,
      )
    ids.add(id)
  }
  const changes = file.events.flatMap((event) => (event.kind === 'kitEdited' ? [event.change.what] : []))
  const count = (kind: string) => changes.filter((what) => what === kind).length
  const drums = count('drumAdded') - count('drumRemoved')
  if (drums > MOST_DRUMS) return fail(`The kit file holds ${drums} drums; a kit has at most ${MOST_DRUMS}.`)
  return { ok: true, file }
}

const isForm = (schema: number) => Number.isInteger(schema) && schema >= 1

function migrated(raw: Record<string, unknown>): unknown {
  const events = Array.isArray(raw.events) ? withOrder(raw.events).map(migrateEvent) : raw.events
  return { ...raw, schema: SCHEMA_VERSION, events }
}

/** What a kind of event is called when one of a file is wrong. */
const THINGS = new Map(
  Object.entries({
    readingTaken: 'Reading',
    centreRead: 'Centre reading',
    headRead: 'Whole-head reading',
    gaugeRead: 'Dial reading',
    earHeard: 'Reading by ear',
    rodsTurned: 'Turn',
    sheetKept: 'Kept target',
    runStarted: 'Retune run',
  }),
)

const FIELDS = new Map(
  Object.entries({
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
  }),
)

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
function fileProblem(error: z.ZodError, file: unknown): { says: string; details: string } {
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
  const field = name && FIELDS.get(name)
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
  const name = THINGS.get(kind)
  if (!name) return `Entry ${at + 1} of the log`
  const before = events.slice(0, at + 1).filter((event) => kindOf(event) === kind).length
  return `${name} ${before}`
}
