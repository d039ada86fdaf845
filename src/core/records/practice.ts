import { z } from 'zod'
import { hz, lug, turns } from './primitives'
import { idSchema, sideSchema } from './kit'

/** What is wrong with a practice head: see core/practice/nature.ts. */
const faultsSchema = z.strictObject({
  outOfRound: z
    .strictObject({ at: z.number().min(0).max(1), bindsTurns: z.number().min(0).max(10) })
    .optional(),
  dentMm: z.number().min(-5).max(5).optional(),
  dentAt: z.number().min(0).max(1).optional(),
  strippedRods: z.array(lug).max(24).optional(),
  film: z.enum(['thin', 'ring']).optional(),
  undamped: z.boolean().optional(),
  shut: z.boolean().optional(),
  boomyRoom: z.boolean().optional(),
  worn: z.number().min(0).max(0.9).optional(),
  snareBedMm: z.number().min(0).max(5).optional(),
  dirtyRods: z.array(lug).max(24).optional(),
  mufflingPerSecond: z.number().min(0).max(100).optional(),
  mountLossPerSecond: z.number().min(0).max(100).optional(),
  loosePart: z.boolean().optional(),
  bentWires: z.boolean().optional(),
  neighbourHz: hz.optional(),
})

/** State of the practice drum's tapped head: where its rods really stand, which only the simulation knows. */
export const practiceStateSchema = z.strictObject({
  kit: idSchema,
  drum: idSchema,
  side: sideSchema,
  /** Mean lug pitch in Hz with all rods at 0. */
  evenHz: hz,
  rods: z.array(turns).min(3).max(24),
  /** Where the film's edge stands at each rod, and how often the head was pressed; left out on a head only just met. */
  seats: z.array(turns).min(3).max(24).optional(),
  presses: z.int().nonnegative().max(1e9).optional(),
  faults: faultsSchema.optional(),
  /** Taps so far: each sounds a little different. */
  taps: z.int().nonnegative().max(1e9),
})

export type PracticeState = z.infer<typeof practiceStateSchema>
