import { turnLawPrior } from '../membrane/turnLaw'
import { median } from '../numeric/median'
import { slackBelief, startingBelief, turnNoise } from './belief'
import { DEFAULT_GAUGE_ERROR, learnGaugeLaw, meanDial, tensionOf } from './gauge'
import { harmonicsOf } from './harmonics'
import { judgeReadings, takeGauge, takeLevels, takeReadings, withPitch } from './intake'
import { COSINE, MEAN, SECOND, SINE, turn, type Belief } from './kalman'
import { lugReadings } from './readings'
import { rodFelt, roughAsSeen, rodsAsFound, rodsTurned, type RodBelief } from './rods'
import { SLACK_SCHOOLS, type SlackSchoolId } from './slackStart'
import { fitStanding } from './standing'
import type { EvenHead, GaugeLaw, Learned, Round } from './types'

/** What is believed of one head, and how surely. */
export interface HeadState {
  belief: Belief
  lugs: number
  /** Lugs (0-based) of the newest round that were read, and those whose reading was left out. */
  read: number[]
  leftOut: number[]
  /** Mean error in cents against the state before the newest readings, one per round read, for judging passes. */
  meanHistoryHz2: number[]
  anyReading: boolean
  /** How every rod pulls against the others, and what the hoop adds. */
  rods: RodBelief
  /** The gauge's law, given or learned; null without one. */
  gaugeLaw: GaugeLaw | null
  /**
   * Per round, how far its readings lay from what was expected of them: squared standard errors, a third of their sum over
   * mean and second harmonic. 1 is as expected, and stands where nothing was read or expected.
   */
  surprises: number[]
  /** Log density of all readings given what was expected of them, by rounds: how well the history makes sense. */
  logEvidence: number
}

export interface KnownBefore {
  learned?: Learned
  /** Rods at finger-tight when the history began, or no telling. */
  start?: 'slack' | 'unknown'
  /** How the slack start was found; left out where nobody said. */
  slackSchool?: SlackSchoolId
  gaugeLaw?: GaugeLaw
  /** One standard error of a dial reading. */
  gaugeError?: number
}

/** How well levels alone place the axis for a standing microphone, in rad. */
const AXIS_OF_STANDING = 0.08

/**
 * The state of a head after all rounds, from the oldest on. Readings of the newest round need no turns.
 * Model: docs/decisions/head-estimate.md.
 */
export function estimateHead(
  head: EvenHead,
  rounds: readonly Round[],
  { learned, start = 'unknown', slackSchool, gaugeLaw, gaugeError = DEFAULT_GAUGE_ERROR }: KnownBefore = {},
): HeadState {
  const { lugs } = head
  const all = rounds.flatMap((round) => lugReadings(head, round).map((reading) => reading.hz))
  const around = all.length
    ? median(all) ** 2
    : turnLawPrior(head.diameterInches, head.threadPitchMm, head.pliesMils).mean
  let belief = slackSchool ? slackBelief(head, learned, slackSchool) : startingBelief(head, learned, around)
  const state: HeadState = {
    ...{ belief, lugs, read: [], leftOut: [], meanHistoryHz2: [], anyReading: false },
    ...{
      rods: rodsAsFound(lugs, start, slackSchool && SLACK_SCHOOLS[slackSchool].rodError),
      gaugeLaw: gaugeLaw ?? null,
      surprises: [],
      logEvidence: 0,
    },
  }
  const dials: Array<{ dial: number; tension: number }> = []
  let presses = 0
  rounds.forEach((round, index) => {
    const before = belief
    const readings = lugReadings(head, round)
    const standing = round.mic === 'standing' ? fitStanding(round, lugs) : null
    const taken = standing
      ? {
          belief: takeLevels(belief, standing, readings.length < 3 ? Infinity : AXIS_OF_STANDING, lugs),
          leftOut: [],
        }
      : takeReadings(belief, readings, lugs)
    belief = taken.belief
    state.read = readings.map((reading) => reading.lug)
    state.leftOut = taken.leftOut
    if (index > 0 && readings.length) {
      const { surprise, logDensity } = judgeReadings(before, belief)
      state.surprises.push(surprise)
      state.logEvidence += logDensity
    } else {
      state.surprises.push(1)
    }
    if (readings.length) {
      state.meanHistoryHz2.push(belief.x[MEAN])
      if (!state.anyReading) {
        const seen = Math.hypot(belief.x[COSINE], belief.x[SINE]) / Math.max(1, belief.x[SECOND])
        state.rods = roughAsSeen(state.rods, seen)
      }
      state.rods = withPitch(state.rods, belief, lugs)
    }
    const dial = meanDial(round.gauge ?? [])
    if (dial !== null) {
      if (readings.length) {
        dials.push({ dial, tension: tensionOf(head, Math.sqrt(Math.max(1, belief.x[MEAN]))) })
        state.gaugeLaw = gaugeLaw ?? learnGaugeLaw(dials)
      }
      const taken = takeGauge(head, state, belief, round.gauge!, gaugeError, readings.length > 0)
      belief = taken.belief
      state.rods = taken.rods
      if (!readings.length && state.gaugeLaw) {
        state.meanHistoryHz2.push(belief.x[MEAN])
        state.read = round.gauge!.flatMap((value, lug) => (value === null ? [] : [lug]))
      }
    }
    round.feel?.forEach((feel, rod) => {
      if (feel) state.rods = rodFelt(state.rods, rod, feel)
    })
    state.anyReading ||= readings.length > 0 || (dial !== null && state.gaugeLaw !== null)
    if (round.turns) {
      // Before the newest round's turns are followed by readings they count as pressed: a forecast says so.
      const pressed = rounds[index + 1]?.pressed ?? index === rounds.length - 1
      belief = turn(belief, harmonicsOf(round.turns), turnNoise(belief, round.turns, pressed, presses === 0))
      state.rods = rodsTurned(state.rods, round.turns)
      if (pressed) presses++
    }
  })
  state.belief = belief
  return state
}
