import { z } from 'zod'
import type { EvenRequest } from '../evening/types'
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

const round = z.strictObject({
  readingsHz: z.array(hz.nullable()).optional(),
  readingErrorCents: positive.max(200).optional(),
  readingErrorsCents: z.array(positive.max(400).nullable()).optional(),
  wholeHz: hz.optional(),
  wholeErrorCents: positive.max(400).optional(),
  readings: z
    .array(z.strictObject({ lug: z.int().min(1).max(99), modes: z.array(pole).min(1).max(24) }))
    .optional(),
  otherHead: z.enum(['muted', 'free', 'off']).optional(),
  pressed: z.boolean().optional(),
  mic: z.enum(['with-tap', 'standing']).optional(),
  gauge: z.array(dial.nullable()).max(24).optional(),
  feel: z.array(feelSchema.nullable()).optional(),
  ear: z.array(earSchema.nullable()).optional(),
  earReference: lug.optional(),
  confirmed: z.array(lug).max(24).optional(),
  turns: z.array(turns).max(24).optional(),
})

export const slackSchoolSchema = z.enum(SLACK_SCHOOL_IDS)

export const hoopSchema = z.enum(['die-cast', 'triple-flanged', 'single-flanged', 'wood'])

const target = z.union([
  z.strictObject({ hz }),
  z.strictObject({ level: z.literal(true) }),
  z.strictObject({ profileHz: z.array(hz) }),
  z.strictObject({ hz, offsetTurns: z.array(z.number().min(-6).max(6)) }),
])

const evenRequestSchema = z.strictObject({
  head: z.strictObject({
    side: z.enum(['batter', 'resonant']),
    diameterInches: inches.diameter,
    lugs: z.int().min(3).max(24),
    hoop: hoopSchema,
    threadPitchMm: z.number().min(0.3).max(3),
    pliesMils: mils,
    ceilingHz: hz.optional(),
    depthInches: inches.depth.optional(),
    other: z.strictObject({ hz, pliesMils: z.array(positive).min(1) }).optional(),
    worn: z.boolean().optional(),
  }),
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
  slackSchool: slackSchoolSchema.optional(),
  deadRods: z.array(lug).max(24).optional(),
  hoopOrEdge: z.boolean().optional(),
  gaugeLaw: z.strictObject({ g0: z.number().min(-1e4).max(1e4), c: positive }).optional(),
  gaugeError: positive.max(100).optional(),
  believe: z.enum(['readings', 'head']).optional(),
  learned: z
    .strictObject({
      hz2PerTurn,
      hz2PerTurnError: hz2PerTurn,
      secondAnswer: positive,
      secondAnswerError: positive,
    })
    .optional(),
})

type Parsed = z.infer<typeof evenRequestSchema>

/** An `even` request from outside, checked in full: shape, and lengths against the lugs. */
export function parseEvenRequest(input: unknown): Checked<EvenRequest> {
  const parsed = evenRequestSchema.safeParse(input)
  if (!parsed.success) return { ok: false, problem: firstProblem(parsed.error) }
  const problem = wrongLength(parsed.data)
  return problem ? { ok: false, problem } : { ok: true, value: parsed.data as EvenRequest }
}

function wrongLength(request: Parsed): Problem | null {
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
