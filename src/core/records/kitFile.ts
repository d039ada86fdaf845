import { z } from 'zod'
import { eventSchema } from './event'
import { SCHEMA_VERSION } from './kit'
import { practiceStateSchema } from './practice'
import { takeSchema } from './take'
import { firstProblem } from './problem'

/** One kit in one JSON file: the format that Humbra exports and imports (docs/kit-file.md). */
export const KIT_FILE_FORMAT = 'humbra-kit'

export const kitFileSchema = z.strictObject({
  format: z.literal(KIT_FILE_FORMAT),
  schema: z.int().min(1),
  exportedAt: z.iso.datetime(),
  kit: z.string().min(1),
  events: z.array(eventSchema).min(1),
  practice: z.array(practiceStateSchema),
  /** Sounds of readings, where the user wanted them kept. */
  takes: z.array(takeSchema).optional(),
})

export type KitFile = z.infer<typeof kitFileSchema>

/**
 * Old forms carried forward, one step a version. Form 2 added kept takes, the place of the microphone and readings by
 * ear, all optional: a file of form 1 is one of form 2 without them. Form 3 added findings, slack starts and the search
 * for a fault, as events of their own. Form 4 added what a stroke on the centre tells beside its pitch, muffling, wires,
 * words, range marks, whole sheets and runs. Form 5 added what an ear says of a lug without a number, one number for a whole
 * head, rounds begun anew, readings that are to be believed, and the snare bed of a drum. Form 6 added drums of one head, and
 * complaints and causes of ring, room and film.
 */
export const MIGRATIONS: ReadonlyArray<(file: unknown) => unknown> = [
  (file) => ({ ...(file as object), schema: 2 }),
  (file) => ({ ...(file as object), schema: 3 }),
  (file) => ({ ...(file as object), schema: 4 }),
  (file) => ({ ...(file as object), schema: 5 }),
  (file) => ({ ...(file as object), schema: 6 }),
]

export type KitFileResult = { ok: true; file: KitFile } | { ok: false; why: string }

/** Reads a kit file. Broken, foreign and newer files come back as a plain sentence. */
export function readKitFile(text: string): KitFileResult {
  const fail = (why: string): KitFileResult => ({ ok: false, why })
  let raw: unknown
  try {
    raw = JSON.parse(text)
  } catch {
    return fail('The file is damaged or no kit file: it could not be read to its end. Nothing was changed.')
  }
  const head = z.object({ format: z.literal(KIT_FILE_FORMAT), schema: z.number() }).safeParse(raw)
  if (!head.success)
    return fail('This is not a Humbra kit file. Choose one that was exported here. Nothing was changed.')
  const version = head.data.schema
  if (version > SCHEMA_VERSION) {
    return fail(
      `This file comes from a newer Humbra (form ${version}, this one reads up to ${SCHEMA_VERSION}). Update Humbra and try again. Nothing was changed.`,
    )
  }
  const migrated = MIGRATIONS.slice(Math.max(0, version - 1)).reduce((file, migrate) => migrate(file), raw)
  const parsed = kitFileSchema.safeParse(migrated)
  if (!parsed.success) {
    const { where, what } = firstProblem(parsed.error)
    return fail(`The kit file is damaged at ${where} (${what}). Nothing was changed.`)
  }
  const stray = parsed.data.events.find((event) => event.kit !== parsed.data.kit)
  if (stray) return fail('The kit file mixes events of several kits. Nothing was changed.')
  return { ok: true, file: parsed.data }
}

/** A kit file as text, events in order. */
export function writeKitFile(file: KitFile): string {
  return JSON.stringify(file, null, 1)
}
