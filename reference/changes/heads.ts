import type { Round } from '@/core/head/types'
import { seededRandom, type Random } from '@/core/numeric/random'
import { parseEvenRequest, type EvenRequest } from '@/core/records/even'

export const pick = <T>(random: Random, list: readonly T[]): T =>
  list[Math.floor(list.length * random.uniform())]

/**
 * Heads that no model made: they answer by a plain rule of thumb, with lost readings, slips, rods that hold nothing, dials, ears
 * and hands.
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
