import { z } from 'zod'
import { LAYER_IDS } from '../pair/layers'
import { cents, errorCents, hz } from './primitives'
import { handTargetSchema, headSchema, idSchema, sideSchema, targetSchema } from './kit'

/** One drum of a sheet: targets of both heads, and what else made the sound. */
export const sheetDrumSchema = z.strictObject({
  drum: idSchema,
  batter: targetSchema.nullable(),
  resonant: targetSchema.nullable(),
  /** Lowest pitch of the drum with both heads free; null where nobody read it. */
  centreHz: hz.nullable(),
  /** How long the low note rang then, as the time in which it falls to 1/e; left out where nobody struck it. */
  ringSeconds: z.number().positive().max(30).optional(),
  layers: z.array(z.enum(LAYER_IDS)).max(12),
  /** The knob of the wires from where they just touch; null on drums without, or where nobody said. */
  wires: z
    .strictObject({ knob: z.number().min(-100).max(100), unit: z.enum(['clicks', 'turns']) })
    .nullable(),
  /** What the hand measured beside pitch, or in its place. */
  hand: z
    .strictObject({ batter: handTargetSchema.optional(), resonant: handTargetSchema.optional() })
    .optional(),
  /** The heads that were on. */
  heads: z.strictObject({ batter: headSchema, resonant: headSchema }),
})

/** What is kept of a drum beside its two heads' targets, as far as it was known; what is left out stays as the sheet had it. */
export const besideSchema = sheetDrumSchema
  .pick({ centreHz: true, ringSeconds: true, layers: true, wires: true })
  .partial()

/** How one head stood at the start or the end of a run. */
export const runHeadSchema = z.strictObject({
  drum: idSchema,
  side: sideSchema,
  /** Mean lug pitch as known then, with its standard error; null where it was never read. */
  meanHz: hz.nullable(),
  errorCents,
  /** From the sheet's target, positive when high; null where either is missing. */
  offCents: cents.nullable(),
  spreadCents: errorCents.nullable(),
  /** Read in that sitting; otherwise believed, from its last reading and its drift. */
  known: z.boolean(),
})

export type SheetDrum = z.infer<typeof sheetDrumSchema>
export type Beside = z.infer<typeof besideSchema>
export type RunHead = z.infer<typeof runHeadSchema>
