import { z } from 'zod'
import { hoopSchema } from './even'
import { SIDES } from './plain'
import { cents, dial, errorCents, hz, inches, lug, mils, turns } from './primitives'

export const idSchema = z.string().min(1).max(80)
export const sideSchema = z.enum(SIDES)
export const kindSchema = z.enum(['kick', 'snare', 'tom', 'floor-tom'])

export const headSchema = z.strictObject({
  hoop: hoopSchema,
  pliesMils: mils,
  coating: z.enum(['coated', 'clear']),
  /** What the film was made with beside its plies: a ring along the edge or a dot in the middle; left out for neither. */
  build: z.enum(['ring', 'dot']).optional(),
  /** Day the head was fitted, as YYYY-MM-DD; null where nobody knows. */
  fittedOn: z.iso
    .date()
    .refine((day) => day >= '1900' && day < '2200', 'a day between 1900 and 2200')
    .nullable(),
  /** No lug is planned above this pitch; null for no limit of its own. */
  ceilingHz: hz.nullable(),
})

export const drumSchema = z.strictObject({
  id: idSchema,
  name: z.string().trim().min(1).max(40),
  kind: kindSchema,
  diameterInches: inches.diameter,
  depthInches: inches.depth,
  lugs: z.int().min(3).max(24),
  threadPitchMm: z.number().min(0.3).max(3),
  /** Diameter of a hole in the resonant head, in inches; left out for none. */
  portInches: z.number().min(0.5).max(40).optional(),
  /** A drum without a resonant head: its shell is open there. */
  oneHeaded: z.literal(true).optional(),
  /** Lugs of the snare side (from 1) beside the bed of the wires, and how much lower they may read, in cents. */
  snareBed: z.strictObject({ lugs: z.array(lug).max(24), cents: z.number().min(0).max(300) }).optional(),
  /** How even and how near its pitch this drum is to be, in cents, where its owner set it; else by kind and size. */
  toleranceCents: z.number().min(1).max(100).optional(),
  /** The badge stands at lug 1; left out where it stands between the last lug and the first. */
  badgeAtLug: z.literal(true).optional(),
  /** Lugs of the resonant head are counted as one looks down through the drum, over those of the batter. */
  seenThrough: z.literal(true).optional(),
  /** Rods (from 1, on both heads) that carry a lock against backing off. */
  lockedRods: z.array(lug).max(24).optional(),
  batter: headSchema,
  resonant: headSchema,
})

/** A rod of a deliberately uneven head: turns away from an even pull. */
const offsetTurn = z.number().min(-6).max(6)

/**
 * What the head is to be brought to: the sheet's target, a pitch, even where it stands, uneven on purpose, rod by rod, at a
 * mean pitch, or even but for the snare bed, whose lugs read so many cents lower than those across.
 */
export const aimSchema = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('sheet') }),
  z.strictObject({ kind: z.literal('hz'), hz }),
  z.strictObject({ kind: z.literal('level') }),
  z.strictObject({ kind: z.literal('offsets'), hz, offsetTurns: z.array(offsetTurn).min(3).max(24) }),
  z.strictObject({ kind: z.literal('bed'), hz, bedCents: z.number().min(0).max(200) }),
])

/**
 * A kept target: the fitted state of a head, never raw readings. Mean as a pitch; the second harmonic of the squared
 * pitch as cents along the lugs, cosine and sine parts from lug 1.
 */
export const targetSchema = z.strictObject({
  meanHz: hz,
  meanErrorCents: errorCents,
  cosineCents: cents,
  sineCents: cents,
  waveErrorCents: errorCents,
  /** The unevenness belongs to the target; otherwise the head is to be even at its mean. */
  keepUneven: z.boolean(),
  toleranceCents: z.number().min(0.1).max(1200),
  /** Uneven on purpose: turns per rod away from an even pull, which pitch alone cannot hold. */
  offsetTurns: z.array(offsetTurn).min(3).max(24).optional(),
  /** How its evenness was known when it was kept, where not by its lugs. */
  evenness: z.enum(['unread', 'dial', 'ear', 'foretold']).optional(),
})

/** What a head is found again by where nobody read its pitch, or beside it: dials or turns from slack, lug 1 first, or an ear. */
export const handTargetSchema = z.strictObject({
  dials: z.array(dial.nullable()).min(3).max(24).optional(),
  slackTurns: z.array(turns).min(3).max(24).optional(),
  ear: z.literal(true).optional(),
})

export type Side = z.infer<typeof sideSchema>
export type DrumKindRecord = z.infer<typeof kindSchema>
export type HeadRecord = z.infer<typeof headSchema>
export type Drum = z.infer<typeof drumSchema>
export type Aim = z.infer<typeof aimSchema>
export type Target = z.infer<typeof targetSchema>
export type HandTarget = z.infer<typeof handTargetSchema>
