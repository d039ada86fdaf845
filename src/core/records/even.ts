import { z } from 'zod'
import { SLACK_SCHOOL_IDS } from '../head/slackStart'
import { dial, hz, hz2PerTurn, inches, levelDb, lug, mils, turns } from './primitives'
import { firstProblem, type Checked, type Problem } from './problem'

const positive = z.number().positive().max(1e9)

const pole = z.strictObject({
  hz,
  levelDb: levelDb.default(0),
  standardErrorHz: positive,
  decaySeconds: positive.optional(),
})

/** What a hand feels of a rod against the others. */
export const feelSchema = z.enum(['loose', 'alike', 'tight'])

export const earSchema = z.enum(['much-lower', 'lower', 'alike', 'higher', 'much-higher'])

export const thresholdCents = z.number().min(0.5).max(400)

/** What numbers are made by without a sound: typed, read off a dial, said by an ear. */
export const bareSourceSchema = z.enum(['number', 'dial', 'ear'])

const share = z.number().positive().max(1)
/** How likely it is that readings scatter as was stated, twice and five times as far (a dial: half, as stated, twice). */
const scatterWeights = z.tuple([share, share, share])

/** The readings of one pass and the turns then made. */
const round = z.strictObject({
  /** Lug pitches in Hz, null where not read; lug 1 first. */
  readingsHz: z.array(hz.nullable()).max(24).optional(),
  /** One standard error of a bare number, in cents. */
  readingErrorCents: positive.max(200).optional(),
  /** The same lug by lug where they differ; null for the one above. */
  readingErrorsCents: z.array(positive.max(400).nullable()).max(24).optional(),
  /** One number for the whole head, with its error in cents (default 20): its pitch, nothing of its evenness. */
  wholeHz: hz.optional(),
  wholeErrorCents: positive.max(400).optional(),
  /** Readings with their poles, beside or instead of the bare numbers. */
  readings: z
    .array(z.strictObject({ lug: z.int().min(1).max(99), modes: z.array(pole).min(1).max(24) }))
    .max(99)
    .optional(),
  otherHead: z.enum(['muted', 'free', 'off']).optional(),
  /** Where the microphone was: following the tap (default), or standing still. */
  mic: z.enum(['with-tap', 'standing']).optional(),
  pressed: z.boolean().optional(),
  /** A dial gauge at every lug, its own scale, larger is tighter; null where not read. */
  gauge: z.array(dial.nullable()).max(24).optional(),
  /** What the hand felt of every rod; null where it was not felt. */
  feel: z.array(feelSchema.nullable()).max(24).optional(),
  /** What the ear said of every lug against the reference lug (from 1); null where it was not listened to. */
  ear: z.array(earSchema.nullable()).max(24).optional(),
  earReference: lug.optional(),
  /** What the listener tells apart, in cents: heard rightly in 75% of pairs. */
  earThresholdCents: thresholdCents.optional(),
  /** Lugs (from 1) whose reading was taken again and came out alike. */
  confirmed: z.array(lug).max(24).optional(),
  /** Turned after these readings, net per rod; none on the newest round. */
  turns: z.array(turns).max(24).optional(),
})

export const slackSchoolSchema = z.enum(SLACK_SCHOOL_IDS)

export const hoopSchema = z.enum(['die-cast', 'triple-flanged', 'single-flanged', 'wood'])

/** What a head is to be brought to. */
const target = z.union([
  z.strictObject({ hz }),
  z.strictObject({ level: z.literal(true) }),
  z.strictObject({ profileHz: z.array(hz).max(24) }),
  z.strictObject({ hz, offsetTurns: z.array(z.number().min(-6).max(6)).max(24) }),
])

/** What is given of one head. */
const headSchema = z.strictObject({
  side: z.enum(['batter', 'resonant']),
  diameterInches: inches.diameter,
  lugs: z.int().min(3).max(24),
  hoop: hoopSchema,
  threadPitchMm: z.number().min(0.3).max(3),
  pliesMils: mils,
  ceilingHz: hz.optional(),
  depthInches: inches.depth.optional(),
  other: z.strictObject({ hz, pliesMils: z.array(positive).min(1) }).optional(),
  /** Lugs (from 1) of a snare side beside its bed, which read lower, and by how much where nothing was read. */
  snareBed: z
    .strictObject({ lugs: z.array(lug).min(1).max(24), cents: z.number().min(0).max(300) })
    .optional(),
  /** The film was found stretched or beaten: it answers turns less, and less surely. */
  worn: z.boolean().optional(),
})

/** A dial gauge's law: g = g0 - c / T, T in N/m. */
const gaugeLawSchema = z.strictObject({ g0: z.number().min(-1e4).max(1e4), c: positive })

/** What a head has taught of its own answers; means with one standard error. */
const learnedSchema = z.strictObject({
  hz2PerTurn,
  hz2PerTurnError: hz2PerTurn,
  secondAnswer: positive,
  secondAnswerError: positive,
})

const evenRequestSchema = z.strictObject({
  head: headSchema,
  target,
  toleranceCents: z.number().min(0.5).max(300).optional(),
  keys: z.union([z.literal(1), z.literal(2)]).optional(),
  largestStepTurns: z
    .number()
    .min(1 / 64)
    .max(2)
    .optional(),
  smallestStepTurns: z
    .number()
    .min(1 / 128)
    .max(0.5)
    .optional(),
  rounds: z.array(round).min(1).max(200),
  start: z.enum(['slack', 'unknown']).optional(),
  /** With a slack start: how it was found. */
  slackSchool: slackSchoolSchema.optional(),
  /** Found on looking over: rods (from 1) that hold nothing and are left alone, and a hoop or edge that is not true. */
  deadRods: z.array(lug).max(24).optional(),
  hoopOrEdge: z.boolean().optional(),
  gaugeLaw: gaugeLawSchema.optional(),
  gaugeError: positive.max(100).optional(),
  /** Every lug's reading as it is, as one school does, although no whole head behaves so; or the head as a whole. */
  believe: z.enum(['readings', 'head']).optional(),
  learned: learnedSchema.optional(),
  /** What is known of this hand's scatter from before, by what it reads with. */
  hand: z.partialRecord(bareSourceSchema, scatterWeights).optional(),
})

export type EvenRequest = z.infer<typeof evenRequestSchema>
export type EvenTarget = z.infer<typeof target>
export type EvenHead = z.infer<typeof headSchema>
export type Round = z.infer<typeof round>
export type PoleReading = z.infer<typeof pole>
export type Learned = z.infer<typeof learnedSchema>
export type GaugeLaw = z.infer<typeof gaugeLawSchema>
export type Feel = z.infer<typeof feelSchema>
export type Ear = z.infer<typeof earSchema>
export type BareSource = z.infer<typeof bareSourceSchema>
export type ScatterWeights = z.infer<typeof scatterWeights>

/** An `even` request from outside, checked in full: shape, and lengths against the lugs. */
export function parseEvenRequest(input: unknown): Checked<EvenRequest> {
  const parsed = evenRequestSchema.safeParse(input)
  if (!parsed.success) return { ok: false, problem: firstProblem(parsed.error) }
  const problem = wrongLength(parsed.data)
  return problem ? { ok: false, problem } : { ok: true, value: parsed.data }
}

function wrongLength(request: EvenRequest): Problem | null {
  const { lugs } = request.head
  const wrong = (where: string, what: string, got: number): Problem => ({
    where,
    what: `expected ${lugs} ${what}, got ${got}`,
  })
  if ('profileHz' in request.target && request.target.profileHz.length !== lugs) {
    return wrong('target.profileHz', 'pitches', request.target.profileHz.length)
  }
  if ('offsetTurns' in request.target && request.target.offsetTurns.length !== lugs) {
    return wrong('target.offsetTurns', 'turns', request.target.offsetTurns.length)
  }
  const stray = request.deadRods?.find((rod) => rod > lugs)
  if (stray !== undefined) return { where: 'deadRods', what: `expected rods from 1 to ${lugs}, got ${stray}` }
  const beside = request.head.snareBed?.lugs.find((lug) => lug > lugs)
  if (beside !== undefined)
    return { where: 'head.snareBed', what: `expected lugs from 1 to ${lugs}, got ${beside}` }
  for (const [i, round] of request.rounds.entries()) {
    const at = `rounds[${i}]`
    const newest = i === request.rounds.length - 1
    if (round.readingsHz && round.readingsHz.length !== lugs) {
      return wrong(`${at}.readingsHz`, 'readings', round.readingsHz.length)
    }
    if (round.readingErrorsCents && round.readingErrorsCents.length !== lugs)
      return wrong(`${at}.readingErrorsCents`, 'errors', round.readingErrorsCents.length)
    if (round.gauge && round.gauge.length !== lugs) {
      return wrong(`${at}.gauge`, 'dial readings', round.gauge.length)
    }
    if (round.feel && round.feel.length !== lugs) return wrong(`${at}.feel`, 'words', round.feel.length)
    if (round.ear && round.ear.length !== lugs) return wrong(`${at}.ear`, 'words', round.ear.length)
    const strayLug = [round.earReference ?? 1, ...(round.confirmed ?? [])].find((lug) => lug > lugs)
    if (strayLug !== undefined)
      return {
        where: `${at}.${strayLug === round.earReference ? 'earReference' : 'confirmed'}`,
        what: `expected a lug from 1 to ${lugs}, got ${strayLug}`,
      }
    if (round.turns && round.turns.length !== lugs) return wrong(`${at}.turns`, 'turns', round.turns.length)
    if (!round.turns && !newest) {
      return {
        where: `${at}.turns`,
        what: 'missing: only the newest round has no turns (0 for a rod left alone)',
      }
    }
    if (round.turns && newest) {
      return {
        where: `${at}.turns`,
        what: 'the newest round has no turns yet; add a round for the readings after them',
      }
    }
    for (const [j, reading] of (round.readings ?? []).entries()) {
      if (reading.lug > lugs) {
        return {
          where: `${at}.readings[${j}].lug`,
          what: `expected a lug from 1 to ${lugs}, got ${reading.lug}`,
        }
      }
    }
  }
  return null
}
