import { z } from 'zod'
import type { EvenRequest } from '../evening/types'
import { firstProblem, type Checked, type Problem } from './problem'

const hz = z.number().min(15).max(2000)
const positive = z.number().positive()

const pole = z.strictObject({
  hz,
  levelDb: z.number().default(0),
  standardErrorHz: positive,
  decaySeconds: positive.optional(),
})

const round = z.strictObject({
  readingsHz: z.array(hz.nullable()).optional(),
  readingErrorCents: positive.max(200).optional(),
  readings: z.array(z.strictObject({ lug: z.int().min(1), modes: z.array(pole).min(1) })).optional(),
  otherHead: z.enum(['muted', 'free', 'off']).optional(),
  pressed: z.boolean().optional(),
  mic: z.enum(['with-tap', 'standing']).optional(),
  gauge: z.unknown().optional(),
  feel: z.unknown().optional(),
  turns: z.array(z.number().min(-20).max(20)).optional(),
})

export const hoopSchema = z.enum(['die-cast', 'triple-flanged', 'single-flanged', 'wood'])

const target = z.union([
  z.strictObject({ hz }),
  z.strictObject({ level: z.literal(true) }),
  z.strictObject({ profileHz: z.array(hz) }),
  z.strictObject({ hz, offsetTurns: z.array(z.number()) }),
])

export const evenRequestSchema = z.strictObject({
  head: z.strictObject({
    side: z.enum(['batter', 'resonant']),
    diameterInches: z.number().min(5).max(40),
    lugs: z.int().min(3).max(24),
    hoop: hoopSchema,
    threadPitchMm: z.number().min(0.3).max(3),
    pliesMils: z.array(z.number().min(0.5).max(40)).min(1).max(4),
    ceilingHz: hz.optional(),
    depthInches: z.number().min(1).max(60).optional(),
    other: z.strictObject({ hz, pliesMils: z.array(positive).min(1) }).optional(),
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
  gaugeLaw: z.unknown().optional(),
  gaugeError: z.unknown().optional(),
  learned: z
    .strictObject({
      hz2PerTurn: positive,
      hz2PerTurnError: positive,
      secondAnswer: positive,
      secondAnswerError: positive,
    })
    .optional(),
})

type Parsed = z.infer<typeof evenRequestSchema>

/** An `even` request from outside, checked in full: shape, lengths against the lugs, and what cannot be used yet. */
export function parseEvenRequest(input: unknown): Checked<EvenRequest> {
  const parsed = evenRequestSchema.safeParse(input)
  if (!parsed.success) return { ok: false, problem: firstProblem(parsed.error) }
  const problem = notYet(parsed.data) ?? wrongLength(parsed.data)
  return problem ? { ok: false, problem } : { ok: true, value: parsed.data as EvenRequest }
}

function notYet(request: Parsed): Problem | null {
  const later = (where: string, what: string): Problem => ({
    where,
    what: `${what} cannot be used yet; leave it out`,
  })
  if (request.gaugeLaw !== undefined) return later('gaugeLaw', 'a gauge')
  if (request.gaugeError !== undefined) return later('gaugeError', 'a gauge')
  if ('offsetTurns' in request.target) return later('target.offsetTurns', 'a deliberately uneven target')
  for (const [i, round] of request.rounds.entries()) {
    if (round.gauge !== undefined) return later(`rounds[${i}].gauge`, 'a gauge')
    if (round.feel !== undefined) return later(`rounds[${i}].feel`, 'the feel of the rods')
    if (round.mic === 'standing') return later(`rounds[${i}].mic`, 'a standing microphone')
  }
  return null
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
  for (const [i, round] of request.rounds.entries()) {
    const at = `rounds[${i}]`
    const newest = i === request.rounds.length - 1
    if (round.readingsHz && round.readingsHz.length !== lugs) {
      return wrong(`${at}.readingsHz`, 'readings', round.readingsHz.length)
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
