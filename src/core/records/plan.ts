import { z } from 'zod'
import { idSchema, kindSchema } from './kit'
import { hz, hz2PerTurn, inches, mils } from './primitives'
import { firstProblem, type Checked } from './problem'

const cents = z.number().min(0).max(2400)
const relation = z.number().min(-2400).max(2400)

const planDrumSchema = z
  .strictObject({
    id: idSchema,
    name: z.string().max(60).default(''),
    kind: kindSchema,
    diameterInches: inches.diameter,
    depthInches: inches.depth.optional(),
    lugs: z.int().min(3).max(24).optional(),
    threadPitchMm: z.number().min(0.3).max(3).optional(),
    /** A hole in the resonant head. */
    portInches: z.number().min(0.5).max(40).optional(),
    /** A drum without a resonant head. */
    oneHeaded: z.boolean().optional(),
    batterMils: mils.optional(),
    resonantMils: mils.optional(),
    /** Where the batter speaks: below it growls, above it chokes; and where it is at its best. Left out: what is usual. */
    lowestHz: hz.optional(),
    highestHz: hz.optional(),
    favouriteHz: hz.optional(),
    /** No lug is planned above these. */
    ceilingHz: hz.optional(),
    resonantCeilingHz: hz.optional(),
    now: z.strictObject({ batterHz: hz, resonantHz: hz }).nullable().optional(),
    turnLaw: z.strictObject({ batter: hz2PerTurn.optional(), resonant: hz2PerTurn.optional() }).optional(),
  })
  .refine(
    ({ lowestHz = 0, favouriteHz = lowestHz, highestHz = Infinity }) =>
      lowestHz <= favouriteHz && favouriteHz <= highestHz && lowestHz <= highestHz,
    'lowestHz, favouriteHz and highestHz must rise',
  )
  .refine(({ portInches = 0, diameterInches }) => portInches <= diameterInches, {
    path: ['portInches'],
    message: 'a port is no wider than the drum',
  })

const plainScheme = z.enum(['fourths', 'fifth', 'thirds', 'major-triad', 'free'])
/** Intervals between neighbouring toms, in cents; of steps one for each gap, from the smallest drum on. */
const schemeSchema = z.union([
  plainScheme.transform((kind) => ({ kind })),
  z.strictObject({ kind: plainScheme }),
  z.strictObject({ kind: z.literal('equal'), cents }),
  z.strictObject({ kind: z.literal('steps'), cents: z.array(cents).min(1).max(40) }),
])

const planRequestSchema = z
  .strictObject({
    drums: z.array(planDrumSchema).min(1).max(24),
    scheme: schemeSchema.default({ kind: 'fourths' }),
    /** Resonant heads above the batters, all alike or drum by drum; left out, each keeps its present relation. */
    headRelation: z
      .union([
        z.strictObject({ resonantAboveCents: relation }),
        z.strictObject({ byDrum: z.record(idSchema, relation) }),
      ])
      .optional(),
    /** Drums whose heads both stay as they are now. */
    fixed: z.array(idSchema).max(24).optional(),
    /** Kicks and snares to be placed with the toms; others stay where they are, unless that is to be avoided. */
    move: z.array(idSchema).max(24).optional(),
    /** Drums whose batter is to read just this. */
    pinned: z.record(idSchema, hz).optional(),
    avoidHz: z.array(hz).max(40).optional(),
    avoidWithinCents: z.number().min(1).max(600).optional(),
    /** Pitches whose notes, in any octave, are welcome: a song's key. */
    favourHz: z.array(hz).max(24).optional(),
    /** Batter of the lowest tom; left out, it is found. */
    rootHz: hz.optional(),
    /** The drum that is to be at its best before all others: the largest tom just above its growl, or the smallest at its best. */
    anchor: z.enum(['lowest', 'smallest']).optional(),
    /** What a turn counts: 0 nothing, 1 a lot. */
    leastWork: z.number().min(0).max(1).optional(),
    a4Hz: z.number().min(400).max(480).optional(),
    /** Keys in hand, for the minutes. */
    keys: z.union([z.literal(1), z.literal(2)]).optional(),
  })
  .superRefine(({ drums, fixed = [], move = [], pinned = {} }, context) => {
    const known = new Set(drums.map(({ id }) => id))
    if (known.size < drums.length)
      context.addIssue({ code: 'custom', path: ['drums'], message: 'two drums have the same id' })
    fixed.forEach((id, i) => {
      const drum = drums.find((each) => each.id === id)
      const message = !drum ? 'no drum has this id' : !drum.now ? 'a fixed drum needs now' : null
      if (message) context.addIssue({ code: 'custom', path: ['fixed', i], message })
    })
    move.forEach((id, i) => {
      const drum = drums.find((each) => each.id === id)
      const message = !drum
        ? 'no drum has this id'
        : fixed.includes(id)
          ? 'a drum cannot both move and be fixed'
          : null
      if (message) context.addIssue({ code: 'custom', path: ['move', i], message })
    })
    for (const id of Object.keys(pinned))
      if (!known.has(id))
        context.addIssue({ code: 'custom', path: ['pinned', id], message: 'no drum has this id' })
  })

export type PlanRequest = z.infer<typeof planRequestSchema>
export type PlanDrum = z.infer<typeof planDrumSchema>
export type Scheme = z.infer<typeof schemeSchema>

/** A `plan` request from outside, checked in full. */
export function parsePlanRequest(input: unknown): Checked<PlanRequest> {
  const parsed = planRequestSchema.safeParse(input)
  return parsed.success
    ? { ok: true, value: parsed.data }
    : { ok: false, problem: firstProblem(parsed.error) }
}
