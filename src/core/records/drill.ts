import { z } from 'zod'
import { hoopSchema, thresholdCents } from './even'
import { kindSchema, idSchema } from './kit'
import { cents, hz, inches, mils, moment } from './primitives'

/** What was done in Practice: kept beside the log, never part of a kit. */

export const DRILL_IDS = ['higher', 'odd-lug', 'warble', 'interval', 'edge', 'turned'] as const
export type DrillId = (typeof DRILL_IDS)[number]

export const LESSON_IDS = ['listen', 'raise', 'press', 'slack', 'both', 'drastic', 'kit'] as const
export type LessonId = (typeof LESSON_IDS)[number]

const drillDrumSchema = z.strictObject({
  kind: kindSchema,
  diameterInches: inches.diameter,
  depthInches: inches.depth,
  lugs: z.int().min(3).max(24),
  hoop: hoopSchema,
  batterMils: mils,
  resonantMils: mils,
  lugHz: hz,
})

const answeredSchema = z.strictObject({
  level: z.number().positive().max(2400),
  answer: z.string().max(40),
  truth: z.string().max(40),
  right: z.boolean(),
})

const kept = { id: idSchema, at: moment }
const count = z.int().nonnegative().max(1e6)
const work = { taps: count, passes: count, turns: z.number().nonnegative().max(1e4) }

export const practisedSchema = z.discriminatedUnion('what', [
  /** A drill answered trial by trial. */
  z.strictObject({
    what: z.literal('drill'),
    ...kept,
    kind: z.enum(DRILL_IDS),
    drum: drillDrumSchema,
    seed: z.int(),
    through: z.enum(['headphones', 'speaker']),
    answered: z.array(answeredSchema).max(400),
  }),
  /** How far to turn, in records of before: what was said, and what it would have taken, in turns of every rod. */
  z.strictObject({
    what: z.literal('far'),
    ...kept,
    drum: drillDrumSchema,
    said: z
      .array(z.strictObject({ said: z.number().min(-6).max(6), true: z.number().min(-6).max(6) }))
      .max(200),
  }),
  /** A head set by ear alone; records of before also say what reading and turning would have made of it. */
  z.strictObject({
    what: z.literal('set'),
    ...kept,
    drum: drillDrumSchema,
    foundSpreadCents: cents,
    ear: z.strictObject({ ...work, spreadCents: cents, offCents: cents.nullable() }),
    tool: z.strictObject({ ...work, spreadCents: cents, offCents: cents.nullable() }).optional(),
  }),
  z.strictObject({
    what: z.literal('lesson'),
    ...kept,
    lesson: z.enum(LESSON_IDS),
    met: z.boolean(),
    said: z.string().max(300),
  }),
])

export type Practised = z.infer<typeof practisedSchema>
export type DrillRecord = Extract<Practised, { what: 'drill' }>

/** What an ear was found to tell apart near a pitch: kept with the settings, for words said by ear. */
export const earFoundSchema = z.strictObject({
  hz,
  thresholdCents,
  errorCents: z.number().positive().max(400),
  at: moment,
})

export type EarFound = z.infer<typeof earFoundSchema>
