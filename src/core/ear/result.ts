import { chanceOfScore } from './psychometric'
import { DRILLS, type DrillId } from './kinds'
import { Staircase, type Believed, type Played, type Scale } from './staircase'
import type { DrillDrum, Trial } from './trial'

/** One answered trial, as it is kept. */
export interface Answered extends Played {
  answer: string
  truth: string
}

/** A run of a drill: what it is on, and what was answered so far. All else follows from it. */
export interface DrillRun {
  kind: DrillId
  drum: DrillDrum
  seed: number
  answered: Answered[]
}

/** The first trials are easy, so that everyone knows what to listen for, and every so many later ones again. */
const EASY_FIRST = 2
const EASY_EVERY = 9
/** An easy trial lies this many times over what is believed. */
const EASY = 4

export const stairsOf = ({ kind, answered }: DrillRun) => new Staircase(DRILLS[kind].scale, answered)

/** The difference that comes next: an easy one, or the one that is expected to tell most. */
export function nextLevel({ levels }: Scale, stairs: Staircase, count: number): number {
  if (count < EASY_FIRST) return levels[Math.max(0, levels.length - 2 - 4 * count)]
  return count % EASY_EVERY === EASY_EVERY - 1
    ? nearest(levels, EASY * stairs.believed().threshold)
    : stairs.next()
}

const nearest = (levels: readonly number[], level: number) =>
  levels.reduce((best, each) =>
    Math.abs(Math.log(each / level)) < Math.abs(Math.log(best / level)) ? each : best,
  )

/** The run after an answer. */
export function withAnswer<Run extends DrillRun>(run: Run, trial: Trial, answer: string): Run {
  const { level, truth } = trial
  return { ...run, answered: [...run.answered, { level, answer, truth, right: answer === truth }] }
}

export interface DrillResult extends Believed {
  trials: number
  right: number
  /** Probability that guessing alone would have scored as well. */
  byChance: number
  /** Whether a threshold may be told: it was heard at all, and lies within what was played. */
  told: boolean
}

/** Less than this probability of having heard anything, or more of lying beyond the scale, and no threshold is told. */
const SKILL = 0.95
const BEYOND = 0.5
const LEAST_TRIALS = 12

/** What a run says of its listener. */
export function resultOf(run: DrillRun): DrillResult {
  const believed = stairsOf(run).believed()
  const trials = run.answered.length
  const right = run.answered.filter((each) => each.right).length
  return {
    ...believed,
    trials,
    right,
    byChance: chanceOfScore(right, trials, DRILLS[run.kind].scale.guess),
    told: trials >= LEAST_TRIALS && believed.skill >= SKILL && believed.beyond < BEYOND,
  }
}

/** What was believed after each answer, for the strip. */
export function courseOf(run: DrillRun): Array<Pick<Believed, 'threshold' | 'error'>> {
  const stairs = new Staircase(DRILLS[run.kind].scale)
  return run.answered.map((each) => {
    stairs.take(each)
    const { threshold, error } = stairs.believed()
    return { threshold, error }
  })
}
