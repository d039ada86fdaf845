import { HAND_ERROR_TURNS } from '../head/hand'
import { harmonicAt, harmonicsOf, patternOverLugs, type Harmonics } from '../head/harmonics'
import { COSINE, MEAN, SECOND, SINE, TURN_LAW, type Belief } from '../head/kalman'
import { circleOf, partsOver } from '../head/circle'
import { weighed, type LugPicture } from '../head/lugPicture'
import { CENTS_PER_NEPER } from '../units/pitch'
import type { SnareBed } from './bed'

/** Squared pitches that are wanted, in Hz^2: mean and second harmonic, which is what two poles can show. */
export interface TargetPattern extends Harmonics {
  /** The same at every lug, where more was asked for than that: heads whose lugs differ by themselves can show it. */
  profile?: readonly number[]
  /** The snare bed that is in it. */
  bed?: SnareBed
}

/**
 * Squared pitches wanted at every lug, in Hz^2.
 * @param alone every lug has a pitch of its own, not that of two poles
 */
export const wantedOverLugs = (target: TargetPattern, lugs: number, alone: boolean): readonly number[] =>
  (alone && target.profile) || patternOverLugs(target, lugs)

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
    for (let i = 0; i < lugs; i++) rest += (still[i] + turns[i] - harmonicAt(d, i, lugs)) ** 2
    return scale * (seen + (unseen * x[TURN_LAW] ** 2 * rest) / lugs)
  }
  return { cost, predict: (turns: readonly number[]) => moved(harmonicsOf(turns)) }
}

/** What the hand pays for a pass, in squared cents: its own error on every rod, and its time. */
export function workCost(
  { x }: Belief,
  target: TargetPattern,
  lugs: number,
  toleranceCents: number,
  usualSecond: number,
) {
  const second = Math.max(x[SECOND], LEAST_SECOND * usualSecond * x[TURN_LAW])
  const toCents = CENTS_PER_NEPER / (2 * target.mean)
  const handPerRod =
    ((toCents * HAND_ERROR_TURNS) / lugs) ** 2 * (x[TURN_LAW] ** 2 + UNEVEN_WEIGHT * 4 * second ** 2)
  const effort = EFFORT_PART * Math.min(EFFORT_CENTS, toleranceCents) ** 2
  return (turns: readonly number[]): number => {
    let sum = 0
    for (let i = 0; i < lugs; i++)
      if (turns[i] !== 0) sum += effort + handPerRod * (turns[i] > 0 ? 1 : 1 + LOOSEN_WEIGHT)
    return sum
  }
}

/**
 * The cost of a pass as the picture lug by lug has it: expected squared cents of every pattern after its own gain. Patterns decouple, so it
 * is a quadratic form in the turns.
 * @param meanWeight what a distance of the mean from its target counts: next to nothing where only evenness is wanted
 */
export function lugCost(picture: LugPicture, target: TargetPattern, meanWeight: number) {
  const { lugs, aroundHz2 } = picture
  const { order, orders, at: waves } = circleOf(lugs)
  const wanted = partsOver(
    wantedOverLugs(target, lugs, true).map((hz2) => (CENTS_PER_NEPER / 2) * (hz2 / aroundHz2 - 1)),
    lugs,
  )
  // How far a dial gives for a pull nobody knows before its law is: its gains are not merely uncertain but may be double.
  const risk = picture.source === 'dial' ? 1 : RISK
  const along = new Float64Array(lugs)
  const squared = new Float64Array(orders)
  let still = 0
  const weightOf = (at: number) => (at === 0 ? meanWeight : 2 * UNEVEN_WEIGHT) / lugs
  for (const { member, weight } of weighed(picture)) {
    const size = member.x.length
    order.forEach((at, part) => {
      const [a, g] = [member.x[part] - wanted[part], member.x[lugs + at]]
      along[part] += weight * (a * g + risk * member.p[part * size + lugs + at])
      still += weight * weightOf(at) * a * a
    })
    for (let at = 0; at < orders; at++)
      squared[at] += weight * (member.x[lugs + at] ** 2 + risk * member.p[(lugs + at) * (size + 1)])
  }
  // The same by rods: a search asks many thousand times.
  const linear = new Float64Array(lugs)
  const form = new Float64Array(lugs * lugs)
  order.forEach((at, part) => {
    for (let i = 0; i < lugs; i++) {
      const row = weightOf(at) * waves[i][part]
      linear[i] += 2 * row * along[part]
      for (let j = 0; j < lugs; j++) form[i * lugs + j] += row * squared[at] * waves[j][part]
    }
  })
  return (turns: readonly number[]): number => {
    let sum = still
    for (let i = 0; i < lugs; i++) {
      if (turns[i] === 0) continue
      let row = linear[i]
      for (let j = 0; j < lugs; j++) if (turns[j] !== 0) row += form[i * lugs + j] * turns[j]
      sum += row * turns[i]
    }
    return sum
  }
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
