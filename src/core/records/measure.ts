import { z } from 'zod'
import type { MeasureOptions } from '../measurement/types'
import { A4_HIGHEST_HZ, A4_LOWEST_HZ, STANDARD_A4_HZ } from '../units/pitch'
import { firstProblem, type Checked } from './problem'

const LOWEST_HZ = 15
const HIGHEST_HZ = 2000

/** The options of `measure`, as words: the command's flags and the route's query are the same. */
const query = z.strictObject({
  expect: z.coerce.number('takes a pitch in Hz').min(LOWEST_HZ).max(HIGHEST_HZ).optional(),
  band: z
    .string()
    .regex(/^\d+(\.\d+)?-\d+(\.\d+)?$/, 'takes two pitches in Hz, low first: 180-260')
    .transform((text) => text.split('-').map(Number) as [number, number])
    .refine(([low, high]) => low < high, 'takes two pitches in Hz, low first: 180-260')
    .optional(),
  diameter: z.coerce.number('takes inches').min(5).max(40).optional(),
  side: z.enum(['batter', 'resonant']).optional(),
  tap: z.enum(['lug', 'centre']).optional(),
  a4: z.coerce.number('takes a pitch in Hz').min(A4_LOWEST_HZ).max(A4_HIGHEST_HZ).optional(),
})

export interface MeasureQuery {
  options: MeasureOptions
  a4Hz: number
}

export function parseMeasureQuery(input: unknown): Checked<MeasureQuery> {
  const parsed = query.safeParse(input)
  if (!parsed.success) return { ok: false, problem: firstProblem(parsed.error) }
  const { expect, band, diameter, side, tap, a4 } = parsed.data
  const options: MeasureOptions = {
    ...(expect === undefined ? {} : { expectHz: expect }),
    ...(band === undefined ? {} : { bandHz: band }),
    ...(diameter === undefined ? {} : { diameterInches: diameter }),
    ...(side === undefined ? {} : { side }),
    ...(tap === undefined ? {} : { tap }),
  }
  return { ok: true, value: { options, a4Hz: a4 ?? STANDARD_A4_HZ } }
}
