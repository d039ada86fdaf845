import { z } from 'zod'
import { A4_HIGHEST_HZ, A4_LOWEST_HZ, STANDARD_A4_HZ } from '../units/pitch'
import { idSchema, sideSchema } from '../records/kit'

/** How one person works: kept on this device, never part of a kit. */
export const settingsSchema = z.strictObject({
  kit: idSchema.nullable(),
  drum: idSchema.nullable(),
  side: sideSchema,
  source: z.enum(['microphone', 'file', 'practice', 'typed']),
  keys: z.union([z.literal(1), z.literal(2)]),
  largestStepTurns: z
    .number()
    .min(1 / 32)
    .max(1),
  a4Hz: z.number().min(A4_LOWEST_HZ).max(A4_HIGHEST_HZ),
  /** One standard error of a typed number, in cents. */
  typedErrorCents: z.number().min(0.5).max(50),
  /** Shortcuts of a single key work; those with Ctrl always do. */
  singleKeys: z.boolean(),
})

export type Settings = z.infer<typeof settingsSchema>

export const DEFAULT_SETTINGS: Settings = {
  kit: null,
  drum: null,
  side: 'batter',
  source: 'practice',
  keys: 2,
  largestStepTurns: 0.5,
  a4Hz: STANDARD_A4_HZ,
  typedErrorCents: 3,
  singleKeys: true,
}
