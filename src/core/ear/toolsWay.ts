import { even } from '../evening/even'
import type { EvenRequest } from '../evening/types'
import { spreadCents } from '../head/harmonics'
import {
  afterPressing,
  afterTurning,
  practiceHead,
  turnedByHand,
  type PracticeDrum,
  type Rods,
} from '../practice/drum'
import { lugTruth } from '../practice/model'
import { seedFromText, seededRandom } from '../numeric/random'
import { centsBetween, shiftByCents } from '../units/pitch'
import type { Work } from './table'

/** So many passes at most; a usual head is done in two or three. */
const MOST_PASSES = 8
/** One standard error of a lug reading, in cents. */
const READING_CENTS = 2

export interface ToolsWay extends Work {
  spreadCents: number
  offCents: number
}

/** The same head, from where it stood at the beginning, brought to the same pitch by reading and turning as the Bench says. */
export function toolsWay(drum: PracticeDrum, found: Rods, targetHz: number): ToolsWay {
  let rods = found
  const truth = () => lugTruth(practiceHead(drum, rods, { lugHz: rods.evenHz, muted: true }))
  const rounds: EvenRequest['rounds'] = []
  const work: Work = { taps: 0, passes: 0, turns: 0 }
  const ear = seededRandom(seedFromText(`${drum.seedText}/tool/ear`))
  for (;;) {
    rounds.push({
      readingsHz: truth().lugHz.map((hz) => shiftByCents(hz, READING_CENTS * ear.normal())),
      readingErrorCents: READING_CENTS,
      pressed: work.passes > 0,
      otherHead: 'muted',
    })
    work.taps += drum.lugs
    const answer = even({
      head: {
        side: 'batter',
        diameterInches: drum.diameterInches,
        lugs: drum.lugs,
        hoop: drum.hoop,
        threadPitchMm: drum.threadPitchMm,
        pliesMils: [...drum.pliesMils],
      },
      target: { hz: targetHz },
      largestStepTurns: 0.5,
      rounds,
    })
    const moves = answer.turns.some((turn) => turn !== 0)
    if (!moves || work.passes === MOST_PASSES) {
      const { lugHz, meanHz } = truth()
      return { ...work, spreadCents: spreadCents(lugHz), offCents: centsBetween(targetHz, meanHz) }
    }
    rounds[rounds.length - 1].turns = answer.turns
    const seed = seedFromText(`${drum.seedText}/tool/${work.passes}`)
    rods = afterPressing(afterTurning(drum, rods, turnedByHand(rods.rods, answer.turns, seed)))
    work.passes++
    work.turns += answer.turns.reduce((sum, turn) => sum + Math.abs(turn), 0)
  }
}
