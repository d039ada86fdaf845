import { even } from '@/core/evening/even'
import { spreadCents } from '@/core/head/harmonics'
import type { EvenHead, Round } from '@/core/head/types'
import { seededRandom } from '@/core/numeric/random'
import {
  afterPressing,
  afterTurning,
  practiceHead,
  slackRods,
  turnedByHand,
  type PracticeDrum,
} from '@/core/practice/drum'
import { lugTruth } from '@/core/practice/model'
import { centsBetween, shiftByCents } from '@/core/units/pitch'
import { estimateHead } from '@/core/head/estimate'
import { climb } from '@/core/fitting/climb'

/**
 * From slack to even by a hand of chance: wrinkles tightened at single rods, rods skipped, half steps. The rounds know what
 * was really turned and go on.
 */
export const CHANCE_DRUMS = [
  { inches: 12, lugs: 6, hz: 175 },
  { inches: 14, lugs: 8, hz: 215 },
  { inches: 10, lugs: 6, hz: 220 },
]
const MOST_PASSES = 9

export function fromSlack(
  { inches, lugs, hz }: (typeof CHANCE_DRUMS)[number],
  seed: number,
  chance: boolean,
) {
  const own: EvenHead = {
    ...{ side: 'batter', diameterInches: inches, lugs, hoop: 'triple-flanged', threadPitchMm: 1.058 },
    pliesMils: [10],
  }
  const drum: PracticeDrum = {
    ...{ seedText: `chance/${inches}/${seed}`, diameterInches: inches, depthInches: 8, lugs },
    ...{ hoop: 'triple-flanged', threadPitchMm: 1.058, pliesMils: [10], otherPliesMils: [10] },
  }
  const random = seededRandom(seed)
  const start = { start: 'slack', slackSchool: 'rattle' } as const
  let rods = { ...slackRods(drum, hz, 'rattle', seed), presses: 0 } as Parameters<typeof afterPressing>[0]
  let moves = 0
  let hands = 0
  const truth = () => lugTruth(practiceHead(drum, rods, { lugHz: hz, muted: true }))
  const read = (most: number): Round => ({
    readingsHz: truth().lugHz.map((each, lug) =>
      lug < most ? shiftByCents(each, 1.5 * random.normal()) : null,
    ),
    ...{ readingErrorCents: 1.5, pressed: true },
  })
  const turn = (turns: readonly number[]) => {
    rods = afterTurning(drum, rods, turnedByHand(rods.rods, turns, 1000 * seed + hands++))
    moves += turns.filter((each) => each !== 0).length
  }
  const rounds: Round[] = [{}]
  const make = (turns: readonly number[]) => {
    turn(turns)
    const last = rounds.at(-1)!
    last.turns = turns.map((each, rod) => each + (last.turns?.[rod] ?? 0))
  }
  for (let i = 0; i < 24; i++) {
    const { belief } = estimateHead(own, rounds, start)
    const since = (rounds.at(-1)!.turns ?? []).reduce((sum, each) => sum + each, 0) / lugs
    const anyReading = rounds.some(({ readingsHz }) => readingsHz)
    const way = climb({ belief, targetHz: hz, largestStepTurns: 0.5, turnedSinceReading: since, anyReading })
    if (way.stage === 'there') break
    if (way.stage === 'check') {
      rounds.push(read(2))
      continue
    }
    const round = new Array<number>(lugs).fill(way.rounds[0])
    if (chance && random.uniform() < 0.3) round[Math.floor(random.uniform() * lugs)] = 0
    if (chance && random.uniform() < 0.3) round[Math.floor(random.uniform() * lugs)] /= 2
    make(round)
    if (chance && random.uniform() < 0.4) {
      const extra = new Array<number>(lugs).fill(0)
      extra[Math.floor(random.uniform() * lugs)] = 1 / 8
      make(extra)
    }
  }
  rods = afterPressing(rods)
  for (let pass = 0; pass < MOST_PASSES; pass++) {
    rounds.push(read(lugs))
    const ask = (believe?: 'readings') =>
      even({
        ...{ head: own, target: { hz }, keys: 2, largestStepTurns: 0.5, rounds, ...start },
        ...(believe ? { believe } : {}),
      })
    let answer = ask()
    if (answer.reason === 'readings-disagree') {
      // Tapped again, and so again: then they are so.
      rounds.at(-1)!.turns = new Array<number>(lugs).fill(0)
      rounds.push(read(lugs))
      answer = ask()
      if (answer.reason === 'readings-disagree') answer = ask('readings')
    }
    if (answer.done || answer.turns.every((each) => each === 0)) break
    make(answer.turns)
    rods = afterPressing(rods)
  }
  const { lugHz, meanHz } = truth()
  return { spread: spreadCents(lugHz), off: Math.abs(centsBetween(hz, meanHz)), moves }
}
