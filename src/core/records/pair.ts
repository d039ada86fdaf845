import { z } from 'zod'
import type { PairRequest } from '../pair/solve'
import { WANT_KEYS } from '../pair/types'
import { hoopSchema } from './even'
import { kindSchema } from './kit'
import { firstProblem, type Checked } from './problem'

const hz = z.number().min(15).max(2000)
const head = z.strictObject({
  pliesMils: z.array(z.number().min(0.5).max(40)).min(1).max(4),
  hoop: hoopSchema.default('triple-flanged'),
  ceilingHz: hz.optional(),
})
const reading = z.strictObject({ batterHz: hz, resonantHz: hz, centreHz: hz.nullable().default(null) })

export const portSchema = z.strictObject({ diameterInches: z.number().min(0.5).max(20) }).nullable()

export const pairRequestSchema = z.strictObject({
  drum: z.strictObject({
    kind: kindSchema.default('tom'),
    diameterInches: z.number().min(5).max(40),
    depthInches: z.number().min(1).max(60),
    lugs: z.int().min(3).max(24),
    threadPitchMm: z.number().min(0.3).max(3),
    batter: head,
    resonant: head,
    port: portSchema.default(null),
  }),
  now: reading,
  want: z
    .strictObject({
      batterHz: hz.optional(),
      resonantHz: hz.optional(),
      centreHz: hz.optional(),
      ratio: z.number().min(1).max(3).optional(),
      resonantAboveCents: z.number().min(-2400).max(2400).optional(),
    })
    .refine(
      (want) => WANT_KEYS.filter((key) => want[key] !== undefined).length === 2,
      `takes exactly two of ${WANT_KEYS.join(', ')}`,
    ),
  seen: z.array(reading).max(200).optional(),
  turnLaw: z
    .strictObject({ batter: z.number().positive().optional(), resonant: z.number().positive().optional() })
    .optional(),
})

/** A `pair` request from outside, checked in full. */
export function parsePairRequest(input: unknown): Checked<PairRequest> {
  const parsed = pairRequestSchema.safeParse(input)
  return parsed.success
    ? { ok: true, value: parsed.data as PairRequest }
    : { ok: false, problem: firstProblem(parsed.error) }
}
