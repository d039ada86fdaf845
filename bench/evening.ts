import { even } from '@/core/evening/even'
import type { EvenAnswer } from '@/core/evening/types'
import { spreadCents } from '@/core/head/harmonics'
import type { Round } from '@/core/head/types'
import { turnedByHand } from '@/core/practice/drum'
import { truthOf, type PracticeHead } from '@/core/practice/model'
import { seededRandom, type Random } from '@/core/numeric/random'
import { secondAnswerPrior, turnLawPrior } from '@/core/membrane/turnLaw'
import { centsBetween, shiftByCents } from '@/core/units/pitch'
import { median, medianMs, printTable, quantile } from './stats'

/** Heads of the practice drum, first order, rough by a tenth of a turn a rod; hidden answers, a hand of 1/64 turn. */
const CASES = [
  { inches: 14, lugs: 10, hz: 234 },
  { inches: 14, lugs: 8, hz: 234 },
  { inches: 12, lugs: 6, hz: 210 },
  { inches: 10, lugs: 6, hz: 290 },
  { inches: 13, lugs: 5, hz: 180 },
  { inches: 15, lugs: 8, hz: 105 },
  { inches: 20, lugs: 8, hz: 66 },
] as const
const SEEDS = 40
const READING_CENTS = 1.5
const MOST_PASSES = 8
const ROUGH_TURNS = 0.1

type Way = (
  rounds: Round[],
  head: PracticeHead,
  hz: number,
) => { turns: number[]; answer: EvenAnswer | null } | null

const humbra: Way = (rounds, head, hz) => {
  const answer = even({
    head: {
      side: 'batter',
      diameterInches: head.diameterInches,
      lugs: head.lugs,
      hoop: 'triple-flanged',
      threadPitchMm: 1.058,
      pliesMils: [...head.pliesMils],
    },
    target: { hz },
    keys: 2,
    largestStepTurns: 0.5,
    rounds,
  })
  return answer.reason === null ? { turns: answer.turns, answer } : null
}

/** What many do: each lug by its own error, as if a rod moved its own lug alone. */
const eachByItself: Way = (rounds, head, hz) => {
  const k = turnLawPrior(head.diameterInches).mean
  const turns = rounds.at(-1)!.readingsHz!.map((reading) => {
    const turn = (hz * hz - reading! ** 2) / k
    return Math.max(-0.5, Math.min(0.5, Math.round(turn * 32) / 32))
  })
  return turns.every((turn) => turn === 0) ? null : { turns, answer: null }
}

/** The careful school: lugs that read low go up by an eighth. */
const lowOnesUp: Way = (rounds, _head, hz) => {
  const turns = rounds.at(-1)!.readingsHz!.map((reading) => (centsBetween(hz, reading!) < -5 ? 1 / 8 : 0))
  return turns.every((turn) => turn === 0) ? null : { turns, answer: null }
}

interface Run {
  spreads: number[]
  end: number
  offCents: number
  covered: number
  forecasts: number
}

function runOne(way: Way, inches: number, lugs: number, hz: number, seed: number): Run {
  const random: Random = seededRandom(seed * 131 + inches)
  const prior = turnLawPrior(inches)
  const head: PracticeHead = {
    diameterInches: inches,
    depthInches: 7,
    lugs,
    pliesMils: [10],
    evenHz: hz * Math.exp(-0.05 + 0.05 * random.normal()),
    rods: Array.from({ length: lugs }, () => ROUGH_TURNS * random.normal()),
    hz2PerTurn: prior.mean * Math.exp(0.3 * random.normal()),
    secondAnswer: secondAnswerPrior('triple-flanged', lugs).mean + 0.08 * random.normal(),
    other: { pliesMils: [10], lugHz: hz, muted: true },
  }
  const rounds: Round[] = []
  const run: Run = { spreads: [], end: 0, offCents: 0, covered: 0, forecasts: 0 }
  let last: EvenAnswer | null = null
  for (let pass = 0; pass < MOST_PASSES; pass++) {
    const { lugHz } = truthOf(head)
    run.spreads.push(spreadCents(lugHz))
    lugHz.forEach((truth, i) => {
      if (!last) return
      run.forecasts++
      if (Math.abs(centsBetween(last.predictedHz[i], truth)) < 1.96 * last.predictedErrorCents[i])
        run.covered++
    })
    rounds.push({
      readingsHz: lugHz.map((truth) => shiftByCents(truth, READING_CENTS * random.normal())),
      readingErrorCents: READING_CENTS,
      pressed: true,
    })
    const move = way(rounds, head, hz)
    if (!move) break
    last = move.answer
    rounds.at(-1)!.turns = move.turns
    head.rods = turnedByHand(head.rods, move.turns, seed * 977 + pass)
  }
  const truth = truthOf(head)
  run.end = spreadCents(truth.lugHz)
  run.offCents = Math.abs(centsBetween(hz, truth.meanHz))
  return run
}

export function benchEvening(): void {
  const ways: Array<[string, Way]> = [
    ['humbra', humbra],
    ['each by itself', eachByItself],
    ['low ones up 1/8', lowOnesUp],
  ]
  const rows = CASES.flatMap(({ inches, lugs, hz }) =>
    ways.map(([name, way]) => {
      const runs = Array.from({ length: SEEDS }, (_, seed) => runOne(way, inches, lugs, hz, seed + 1))
      const after = (pass: number) =>
        median(runs.map((run) => run.spreads[Math.min(pass, run.spreads.length - 1)]))
      const forecasts = runs.reduce((sum, run) => sum + run.forecasts, 0)
      const covered = runs.reduce((sum, run) => sum + run.covered, 0)
      return [
        `${inches} in, ${lugs} lugs, ${hz} Hz: ${name}`,
        ...[0, 1, 2, 3].map((pass) => after(pass).toFixed(1)),
        median(runs.map((run) => run.end)).toFixed(1),
        quantile(
          runs.map((run) => run.end),
          0.9,
        ).toFixed(1),
        median(runs.map((run) => run.offCents)).toFixed(1),
        median(runs.map((run) => run.spreads.length - 1)).toFixed(0),
        forecasts ? `${Math.round((100 * covered) / forecasts)}%` : '–',
      ]
    }),
  )
  printTable(
    `True spread in cents, median of ${SEEDS} rough heads of the first-order practice drum; readings of ${READING_CENTS} c, a hand of 1/64 turn`,
    ['head and way', 'found', '1 pass', '2', '3', 'end', '90%', 'off', 'passes', 'covered'],
    rows,
  )
}

/** Time from a whole history to the next pass. */
export function benchAdviceTime(): void {
  const rows = CASES.map(({ inches, lugs, hz }) => {
    const random = seededRandom(3)
    const rounds: Round[] = Array.from({ length: 4 }, (_, i) => ({
      readingsHz: Array.from({ length: lugs }, () => hz * (1 + 0.01 * random.normal())),
      pressed: true,
      ...(i < 3 ? { turns: new Array<number>(lugs).fill(0.03125) } : {}),
    }))
    const ms = medianMs(() => {
      even({
        head: {
          ...{ side: 'batter', diameterInches: inches, lugs, hoop: 'triple-flanged', threadPitchMm: 1.058 },
          pliesMils: [10],
        },
        ...{ target: { hz }, keys: 2, rounds },
      })
    })
    return [`${inches} in, ${lugs} lugs`, `${ms.toFixed(1)} ms`]
  })
  printTable('Four rounds of readings to advice, median', ['head', 'time'], rows)
}
