import { z } from 'zod'
import { WANT_KEYS } from '../pair/wants'

import { hoopSchema } from './even'
import { kindSchema } from './kit'
import { hz, hz2PerTurn, inches, mils } from './primitives'
import { firstProblem, type Checked } from './problem'

const head = z.strictObject({
  pliesMils: mils,
  hoop: hoopSchema.default('triple-flanged'),
  /** No lug is planned above this pitch. */
  ceilingHz: hz.optional(),
})
const readHz = hz.nullable().default(null)

/** A resonant head this many times as high carries the centre above a slack batter's own lug. */
const CARRIES = 2.5

/**
 * Lug pitches with the other head muted, and the drum's lowest pitch with both free; null where it was not read. No drum's centre lies above its lug: one of the two
 * was another mode, or another drum.
 */
const reading = z
  .strictObject({ batterHz: readHz, resonantHz: readHz, centreHz: readHz })
  .superRefine(({ batterHz, resonantHz, centreHz }, context) => {
    if (centreHz === null || batterHz === null || centreHz < batterHz) return
    if (resonantHz !== null && resonantHz > CARRIES * batterHz) return
    context.addIssue({
      code: 'custom',
      path: ['centreHz'],
      message: `a centre of ${centreHz} Hz lies above its own lug of ${batterHz} Hz: read both again`,
    })
  })

const portSchema = z.strictObject({ diameterInches: z.number().min(0.5).max(40) }).nullable()

const drumSchema = z
  .strictObject({
    kind: kindSchema.default('tom'),
    diameterInches: inches.diameter,
    depthInches: inches.depth,
    lugs: z.int().min(3).max(24),
    threadPitchMm: z.number().min(0.3).max(3),
    batter: head,
    /** Null on a drum of one head. */
    resonant: head.nullable(),
    port: portSchema.default(null),
  })
  .superRefine(({ port, resonant, diameterInches }, context) => {
    const issue = (message: string, path: string[]) => context.addIssue({ code: 'custom', path, message })
    if (port && port.diameterInches > diameterInches)
      issue(`a port of ${port.diameterInches} inches is wider than the drum, ${diameterInches}`, [
        'port',
        'diameterInches',
      ])
    if (port && !resonant) issue('a drum of one head has no head to cut a port in', ['port'])
  })

const wantSchema = z
  .strictObject({
    batterHz: hz.optional(),
    resonantHz: hz.optional(),
    centreHz: hz.optional(),
    /** Batter lug pitch over centre pitch. */
    ratio: z.number().min(0.8).max(3).optional(),
    /** The resonant head's lug pitch above the batter's, in cents; negative below. */
    resonantAboveCents: z.number().min(-2400).max(2400).optional(),
  })
  .superRefine(({ batterHz, centreHz }, context) => {
    if (batterHz === undefined || centreHz === undefined || centreHz < batterHz) return
    context.addIssue({
      code: 'custom',
      path: ['centreHz'],
      message: `a centre of ${centreHz} Hz above its own lug of ${batterHz} Hz is no drum`,
    })
  })

const pairRequestSchema = z
  .strictObject({
    drum: drumSchema,
    now: reading,
    want: wantSchema,
    /** Earlier readings of this drum, to learn from. */
    seen: z.array(reading).max(200).optional(),
    turnLaw: z.strictObject({ batter: hz2PerTurn.optional(), resonant: hz2PerTurn.optional() }).optional(),
  })
  .superRefine(({ drum, want, now }, context) => {
    const named = WANT_KEYS.filter((key) => want[key] !== undefined)
    const issue = (message: string, path: string[]) => context.addIssue({ code: 'custom', path, message })
    if (drum.resonant && named.length !== 2) issue(`takes exactly two of ${WANT_KEYS.join(', ')}`, ['want'])
    if (!drum.resonant && (named.length !== 1 || (named[0] !== 'batterHz' && named[0] !== 'centreHz')))
      issue('takes batterHz or centreHz alone on a drum of one head', ['want'])
    if (!drum.resonant && now.resonantHz !== null) issue('a drum of one head has none', ['now', 'resonantHz'])
  })

export type PairRequest = z.infer<typeof pairRequestSchema>
export type PairDrum = z.infer<typeof drumSchema>
export type PairHead = z.infer<typeof head>
export type PairReading = z.infer<typeof reading>
export type PairWant = z.infer<typeof wantSchema>

/** A `pair` request from outside, checked in full. */
export function parsePairRequest(input: unknown): Checked<PairRequest> {
  const parsed = pairRequestSchema.safeParse(input)
  return parsed.success
    ? { ok: true, value: parsed.data }
    : { ok: false, problem: firstProblem(parsed.error) }
}
