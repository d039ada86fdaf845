import { z } from 'zod'
import { idSchema, sideSchema } from './kit'

/** State of the practice drum's tapped head: where its rods really stand, which only the simulation knows. */
export const practiceStateSchema = z.strictObject({
  kit: idSchema,
  drum: idSchema,
  side: sideSchema,
  /** Mean lug pitch in Hz with all rods at 0. */
  evenHz: z.number().min(15).max(2000),
  rods: z.array(z.number()).min(3).max(24),
  /** Taps so far: each sounds a little different. */
  taps: z.int().nonnegative(),
})

export type PracticeState = z.infer<typeof practiceStateSchema>
