import { even } from '@/core/evening/even'
import type { Round } from '@/core/head/types'
import { seededRandom, type Random } from '@/core/numeric/random'
import { solvePair } from '@/core/pair/solve'
import { waysTo, WISH_IDS, wished } from '@/core/pair/ways'
import { foretellRing, learnRing } from '@/core/pair/ring'
import { parseEvenRequest, type EvenRequest } from '@/core/records/even'
import { parsePairRequest } from '@/core/records/pair'
import { parsePlanRequest } from '@/core/records/plan'
import { planKit } from '@/core/spacing/plan'
import { judgeKit } from '@/core/spacing/verdict'
import { digits, type Lines } from './held'

const pick = <T>(random: Random, list: readonly T[]): T => list[Math.floor(list.length * random.uniform())]
const all = (values: readonly number[]) => values.map(digits).join(' ')

const named = (lines: readonly string[], what: string): Lines =>
  Object.fromEntries(lines.map((line, i) => [`${what} ${i}`, line]))

/**
 * What is advised for numbers that no model made: heads that answer by a plain rule of thumb, with lost readings, slips,
 * rods that hold nothing, dials, ears and hands; drums and kits of chance.
 */

/** Cents of every lug from the mean: twofold, one side, and chance. */
function roughHead(random: Random, lugs: number): number[] {
  const [once, twice, by] = [25, 45, 12].map((most) => most * random.uniform())
  const [a, b] = [random.uniform(), random.uniform()].map((part) => 2 * Math.PI * part)
  return Array.from({ length: lugs }, (_, i) => {
    const at = (2 * Math.PI * i) / lugs
    return once * Math.cos(at + a) + twice * Math.cos(2 * at + b) + by * (random.uniform() - 0.5)
  })
}

/** A head of so many rounds: turned by what lay low, answering by a rule of thumb at the rod, its opposite and beside it. */
function roundsOf(random: Random, lugs: number, count: number, baseHz: number, seed: number): Round[] {
  let cents = roughHead(random, lugs)
  const dead = seed % 7 === 3 ? seed % lugs : -1
  const rounds: Round[] = []
  for (let round = 0; round < count; round++) {
    const hz = cents.map((c) => baseHz * 2 ** ((c + 3 * (random.uniform() - 0.5)) / 1200))
    const lost = (i: number) => random.uniform() < (seed % 4 === 1 ? 0.25 : 0.03) && i > 1
    const slip = seed % 9 === 5 && round === count - 1 ? seed % lugs : -1
    const readingsHz = hz.map((value, i) => (lost(i) ? null : i === slip ? value * 1.12 : value))
    const mean = cents.reduce((sum, c) => sum + c, 0) / lugs
    const turns = cents.map(
      (c) => Math.round(16 * Math.max(-0.25, Math.min(0.25, (mean + 10 - c) / 160))) / 16,
    )
    const words: Partial<Round> = {}
    if (seed % 6 === 2) words.gauge = cents.map((c) => Math.round(10 * (82 + c / 14 + random.uniform())) / 10)
    if (seed % 6 === 4)
      words.feel = cents.map((c) => (c < mean - 30 ? 'loose' : c > mean + 30 ? 'tight' : 'alike'))
    if (seed % 11 === 7)
      words.ear = cents.map((c) => (c < mean - 12 ? 'lower' : c > mean + 12 ? 'higher' : 'alike'))
    if (seed % 11 === 8) Object.assign(words, { wholeHz: baseHz, readingsHz: undefined })
    if (seed % 5 === 1)
      words.readings = hz.map((value, i) => ({
        lug: i + 1,
        modes: [
          { hz: value, levelDb: 0, standardErrorHz: 0.15, decaySeconds: 0.2 },
          {
            hz: value * (seed % 20 === 6 ? 1.1 : 1.024),
            levelDb: seed % 20 === 6 ? -6 - (i % 2) : -9 - i,
            standardErrorHz: 0.3,
            decaySeconds: 0.18,
          },
        ],
      }))
    rounds.push({
      ...(words.readings ? {} : { readingsHz }),
      ...words,
      ...(seed % 5 === 2 ? { otherHead: pick(random, ['free', 'muted', 'off'] as const) } : {}),
      ...(seed % 20 === 6 ? { otherHead: 'free' as const } : {}),
      ...(seed % 5 === 3 ? { readingErrorCents: 4 } : {}),
      ...(slip >= 0 && seed % 2 ? { confirmed: [slip + 1] } : {}),
      ...(seed % 20 === 16 ? { mic: 'standing' as const } : {}),
      ...(round > 0 && seed % 3 === 0 ? { pressed: true } : {}),
      ...(round < count - 1 ? { turns } : {}),
    })
    cents = cents.map((c, i) => {
      const at = (k: number) => (k === dead ? 0 : turns[(k + lugs) % lugs])
      return c + 150 * at(i) + 90 * at(i + lugs / 2) + 25 * (at(i - 1) + at(i + 1)) - (seed % 3 ? 0 : 4)
    })
  }
  return rounds
}

export function evenRequests(count: number): EvenRequest[] {
  return Array.from({ length: count }, (_, seed) => {
    const random = seededRandom(900 + seed)
    const lugs = pick(random, [4, 6, 6, 8, 8, 10, 12])
    const baseHz = 90 + 200 * random.uniform()
    const parsed = parseEvenRequest({
      head: {
        side: pick(random, ['batter', 'resonant']),
        ...{ diameterInches: pick(random, [8, 10, 12, 13, 14, 16, 18, 22]), lugs },
        ...{
          hoop: pick(random, ['die-cast', 'triple-flanged', 'single-flanged', 'wood']),
          threadPitchMm: 1.058,
        },
        pliesMils: pick(random, [[10], [7, 7], [3], [10, 5]]),
        ...(seed % 8 === 3 ? { worn: true } : {}),
        ...(seed % 8 === 5 ? { ceilingHz: 1.02 * baseHz } : {}),
        ...(seed % 4 === 2 ? { depthInches: 8, other: { hz: 1.2 * baseHz, pliesMils: [10] } } : {}),
      },
      target: [
        { hz: baseHz * (0.97 + 0.08 * random.uniform()) },
        { level: true },
        { profileHz: roughHead(random, lugs).map((c) => baseHz * 2 ** (c / 2400)) },
        { hz: baseHz, offsetTurns: Array.from({ length: lugs }, (_, i) => (i === 0 ? -0.5 : 0)) },
      ][seed % 10 < 6 ? 0 : (seed % 10) - 6],
      ...(seed % 3 === 1 ? { keys: 2 } : {}),
      ...(seed % 5 === 4 ? { largestStepTurns: 0.125 } : {}),
      ...(seed % 13 === 6 ? { start: 'slack' } : seed % 13 === 9 ? { start: 'unknown' } : {}),
      ...(seed % 13 === 10 ? { believe: 'readings' } : {}),
      ...(seed % 13 === 11 ? { hoopOrEdge: true, deadRods: [2] } : {}),
      ...(seed % 12 === 2 ? { gaugeLaw: { g0: 100, c: 40_000 } } : {}),
      rounds: roundsOf(random, lugs, 1 + (seed % 5), baseHz, seed),
    })
    if (!parsed.ok) throw new Error(`${seed}: ${parsed.problem.where} ${parsed.problem.what}`)
    return parsed.value
  })
}

export function evenAdvised(count = 90): Lines {
  const lines = evenRequests(count).map((request, seed) => {
    const answer = even(request)
    const steps = answer.steps.map(({ rods, turns }) => `${rods.join('+')}:${turns.join('+')}`).join(' ')
    return [
      ...[seed, answer.done, answer.reason, steps || '-', answer.pressAfter],
      ...[digits(answer.meanHz), digits(answer.spreadCents), digits(answer.spreadErrorCents)],
      ...[digits(answer.confidence), digits(answer.likelySpreadCents), digits(answer.withinSpreadCents)],
      `next ${answer.readNext} out ${answer.leftOut} ask ${answer.ask} enough ${answer.enough}`,
      `law ${all(Object.values(answer.learned))}`,
      answer.suspects.map(({ rod, probability }) => `rod ${rod} ${digits(probability)}`).join(' '),
      `mute ${answer.muteOther} standing ${answer.micStoodStill}`,
      answer.disagree.map(({ what, lugs }) => `${what} ${lugs}`).join(' '),
      `rods ${all(answer.rods.map(({ turns }) => turns))} ${digits(answer.rods[0]?.error ?? 0)}`,
    ].join(' ')
  })
  return named(lines, 'head')
}

export function pairAdvised(count = 24): Lines {
  const lines = Array.from({ length: count }, (_, seed) => {
    const random = seededRandom(700 + seed)
    const kind = pick(random, ['tom', 'floor-tom', 'kick', 'snare'] as const)
    const inches = { tom: 12, 'floor-tom': 16, kick: 22, snare: 14 }[kind]
    const batterHz = (1900 / inches) * (0.8 + 0.5 * random.uniform())
    const one = seed % 8 === 7
    const reading = (by: number) => ({
      batterHz: seed % 4 === 3 ? null : batterHz * by,
      resonantHz: one || seed % 4 === 2 ? null : batterHz * by * 1.25,
      centreHz: seed % 3 ? 0.64 * batterHz * by : null,
    })
    const want = [
      { batterHz, resonantAboveCents: 386 },
      { centreHz: 0.66 * batterHz, ratio: 1.55 },
      { centreHz: 0.7 * batterHz, resonantAboveCents: -200 },
      { batterHz: 1.4 * batterHz, resonantHz: 3 * batterHz },
    ][seed % 4]
    const parsed = parsePairRequest({
      drum: {
        ...{
          kind,
          diameterInches: inches,
          depthInches: 4 + 10 * random.uniform(),
          lugs: 8,
          threadPitchMm: 1.058,
        },
        batter: {
          pliesMils: pick(random, [[10], [7, 7]]),
          ...(seed % 5 === 4 ? { ceilingHz: batterHz } : {}),
        },
        resonant: one ? null : { pliesMils: [kind === 'snare' ? 3 : 7] },
        port: kind === 'kick' && !one ? { diameterInches: 5 } : null,
      },
      now: reading(1),
      want: one ? { batterHz: 1.1 * batterHz } : want,
      ...(seed % 3 === 1 ? { turnLaw: { batter: 30_000 } } : {}),
      seen: seed % 2 ? [reading(0.9), reading(1.15)] : [],
    })
    if (!parsed.ok) throw new Error(`${seed}: ${parsed.problem.where} ${parsed.problem.what}`)
    const request = parsed.value
    const answer = solvePair(request)
    const { drum } = request
    const stands = { batterHz: answer.batterHz, resonantHz: answer.resonantHz }
    const strokes = [0.9, 1, 1.1].map((by, i) => ({
      ...{ batterHz: batterHz * by, resonantHz: one ? null : batterHz * 1.2, decaySeconds: 0.3 + 0.1 * i },
      ...{ glideCents: 30, layers: [], hung: i ? 'stand' : null },
    }))
    const ring = foretellRing(
      drum,
      { ...stands, layers: ['gel'] as never, hung: null },
      learnRing(drum, strokes, answer.learned.parts),
      answer.learned.parts,
    )
    return [
      ...[seed, digits(answer.batterHz), digits(answer.resonantHz ?? 0), digits(answer.centreHz)],
      ...[
        all(Object.values(answer.turns)),
        all(Object.values(answer.turnsError)),
        answer.reachable,
        answer.limitedBy,
      ],
      ...[answer.warnings.map((warning) => JSON.stringify(warning)).join(' '), answer.now.readNext],
      all(Object.values(answer.now.errorCents)),
      ...[
        digits(answer.errorCents.centre),
        digits(ring.decaySeconds),
        digits(ring.factor),
        digits(ring.bendCents),
      ],
      ...WISH_IDS.map((wish) => all(Object.values(wished(wish, { batterHz, resonantHz: batterHz * 1.2 })))),
      ...waysTo(request, 386).map(({ way, turns }) => `${way} ${all(Object.values(turns))}`),
    ].join(' ')
  })
  return named(lines, 'drum')
}

export function planAdvised(count = 6): Lines {
  const lines = Array.from({ length: count }, (_, seed) => {
    const random = seededRandom(500 + seed)
    const drum = (id: string, kind: string, diameterInches: number) => {
      const batterHz = (1900 / diameterInches) * (0.8 + 0.5 * random.uniform())
      return {
        ...{ id, kind, diameterInches, depthInches: 0.6 * diameterInches, lugs: 8, threadPitchMm: 1.058 },
        now: seed % 5 === 4 ? null : { batterHz, resonantHz: batterHz * (1 + 0.4 * random.uniform()) },
        ...(seed % 5 === 2 ? { ceilingHz: 1.2 * batterHz } : {}),
      }
    }
    const parsed = parsePlanRequest({
      drums: [
        drum('k', 'kick', 20),
        drum('s', 'snare', 14),
        ...[10, 12, 13, 16]
          .slice(seed % 2, 2 + (seed % 3))
          .map((inches) => drum(`t${inches}`, 'tom', inches)),
        drum('f', 'floor-tom', 15),
      ],
      scheme: pick(random, ['fourths', 'thirds', 'fifth', 'free', 'major-triad']),
      ...(seed % 2 ? { headRelation: { resonantAboveCents: 300 } } : {}),
      ...(seed % 3 === 0 ? { avoidHz: [98, 150], move: ['k', 's'] } : {}),
      ...(seed % 4 === 1 ? { favourHz: [110, 146.8] } : {}),
      ...(seed % 4 === 2 ? { leastWork: 0.5 } : {}),
      ...(seed % 5 === 3 ? { anchor: 'lowest' } : {}),
    })
    if (!parsed.ok) throw new Error(`${seed}: ${parsed.problem.where} ${parsed.problem.what}`)
    const { plans } = planKit(parsed.value)
    const verdict = judgeKit(parsed.value.drums)
    return [
      seed,
      ...plans.map(
        (plan) =>
          `${plan.what.kind} ${plan.drums.map(({ batterHz, resonantHz }) => `${digits(batterHz)}/${digits(resonantHz ?? 0)}`).join(' ')} gives ${plan.gives.length}`,
      ),
      JSON.stringify(verdict).replace(/\d+\.\d+/g, (number) => Number(number).toPrecision(4)),
    ].join(' ')
  })
  return named(lines, 'kit')
}
