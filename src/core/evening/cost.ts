import { HAND_ERROR_TURNS } from '../head/hand'
import { harmonicAt, harmonicsOf, patternOverLugs, type Harmonics } from '../head/harmonics'
import { COSINE, MEAN, SECOND, SINE, TURN_LAW, type Belief } from '../head/kalman'
import { CENTS_PER_NEPER } from '../units/pitch'

/** Squared pitches that are wanted: mean and second harmonic, in Hz^2. */
export type TargetPattern = Harmonics

/**
 * Weight of the second harmonic against the mean. The spread is twice its amplitude, and spread and mean have one
 * tolerance: 4 would make them equal; the mean is a little dearer, since the ear hears pitch before unevenness.
 */
const UNEVEN_WEIGHT = 3
/** Patterns that pitch cannot see: an uneven pull there costs this part of what a seen error would. */
const UNSEEN_WEIGHT = { pairs: 0.08, singles: 0.08, wanted: 0.6 }
/** What is not known of the drum's answers counts this part: the first pass teaches them, and a timid one teaches little. */
const RISK = 0.2
/** A loosened rod sticks and has to be pressed: it is worth this many hand errors. */
const LOOSEN_WEIGHT = 0.4

/** A rod turned is time: it must be worth this part of the squared tolerance, */
const EFFORT_PART = 0.08
/** however coarse a tolerance is asked for, in cents. */
const EFFORT_CENTS = 6

/** A head that seems to answer to a pattern less than this part of the usual is not believed: turns would be too large. */
const LEAST_SECOND = 0.6

export interface CostModel {
  /** Expected squared cents after the pass, for turns per rod. */
  cost(turns: readonly number[]): number
  /** Expected mean error and harmonics after the pass, in Hz^2. */
  predict(turns: readonly number[]): Harmonics
}

/**
 * The cost of a pass: expected squared distance from the target in cents over what is believed of the head and of its
 * answers, plus what the hand's own error adds for every rod turned. That last part is why near the end few rods are
 * turned.
 */
export function passCost(
  belief: Belief,
  target: TargetPattern,
  lugs: number,
  lean: Lean,
  toleranceCents: number,
  usualSecond: number,
): CostModel {
  const { p } = belief
  const x = belief.x.slice()
  x[SECOND] = Math.max(x[SECOND], LEAST_SECOND * usualSecond * x[TURN_LAW])
  const toCents = CENTS_PER_NEPER / (2 * target.mean)
  const scale = toCents * toCents
  const unseen = lean.none
    ? 0
    : lean.wanted
      ? UNSEEN_WEIGHT.wanted
      : lugs % 2 === 0
        ? UNSEEN_WEIGHT.pairs
        : UNSEEN_WEIGHT.singles
  const handPerRod =
    scale * (HAND_ERROR_TURNS / lugs) ** 2 * (x[TURN_LAW] ** 2 + UNEVEN_WEIGHT * 4 * x[SECOND] ** 2)
  const effort = EFFORT_PART * Math.min(EFFORT_CENTS, toleranceCents) ** 2
  const at = (i: number, j: number) => p[i * 5 + j]
  const still = unseenPart(lean.turns)

  const moved = (d: Harmonics): Harmonics => ({
    mean: x[MEAN] + x[TURN_LAW] * d.mean,
    cosine: x[COSINE] + x[SECOND] * d.cosine,
    sine: x[SINE] + x[SECOND] * d.sine,
  })
  const cost = (turns: readonly number[]): number => {
    const d = harmonicsOf(turns)
    const after = moved(d)
    const meanVar = 2 * at(MEAN, TURN_LAW) * d.mean + at(TURN_LAW, TURN_LAW) * d.mean ** 2
    const wave =
      2 * at(COSINE, SECOND) * d.cosine +
      2 * at(SINE, SECOND) * d.sine +
      at(SECOND, SECOND) * (d.cosine ** 2 + d.sine ** 2)
    const seen =
      (after.mean - target.mean) ** 2 +
      RISK * meanVar +
      UNEVEN_WEIGHT * ((after.cosine - target.cosine) ** 2 + (after.sine - target.sine) ** 2 + RISK * wave)
    let rest = 0
    let hand = 0
    let rods = 0
    for (let i = 0; i < lugs; i++) {
      const t = turns[i]
      rest += (still[i] + t - harmonicAt(d, i, lugs)) ** 2
      if (t !== 0) rods += 1
      if (t > 0) hand += 1
      if (t < 0) hand += 1 + LOOSEN_WEIGHT
    }
    return scale * (seen + (unseen * x[TURN_LAW] ** 2 * rest) / lugs) + handPerRod * hand + effort * rods
  }
  return { cost, predict: (turns: readonly number[]) => moved(harmonicsOf(turns)) }
}

/** How the rods are known to pull away from what is wanted of them, in turns. */
export interface Lean {
  turns: readonly number[]
  /** The head is meant to be uneven: what pitch does not see matters as much as what it does. */
  wanted: boolean
  /** It does not matter at all. */
  none?: true
}

/** What pitch cannot see of some turns: mean and second pattern taken out. */
function unseenPart(turns: readonly number[]): number[] {
  const pattern = patternOverLugs(harmonicsOf(turns), turns.length)
  return turns.map((turn, i) => turn - pattern[i])
}
