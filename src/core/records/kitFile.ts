import { z } from 'zod'
import { eventSchema } from './event'
import { SCHEMA_VERSION } from './plain'
import { idSchema } from './kit'
import { practiceStateSchema } from './practice'
import { takeSchema } from './take'
import { fileProblem } from './fileProblem'
import { migrateEvent } from './migrations'
import { moment } from './primitives'

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
  return { ok: true, file }
}

function migrated(raw: Record<string, unknown>): unknown {
  const events = Array.isArray(raw.events) ? raw.events.map(migrateEvent) : raw.events
  return { ...raw, schema: SCHEMA_VERSION, events }
}
