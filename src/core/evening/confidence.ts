import { once } from '../numeric/once'
import { cholesky } from '../numeric/linear'
import { seededRandom } from '../numeric/random'
import { patternOverLugs, spreadCents } from '../head/harmonics'
import { COSINE, MEAN, SINE, type Belief } from '../head/kalman'
import { CENTS_PER_NEPER } from '../units/pitch'
import type { TargetPattern } from './cost'

const DRAWS = 400
const SEED = 20
/** The same standard normal triples every time: an answer must not change when asked twice. */
const standardDraws = once(() => {
  const random = seededRandom(SEED)
  return Array.from({ length: DRAWS }, () => Float64Array.from({ length: 3 }, () => random.normal()))
})

/** Lug pitches drawn from what is believed of the head: so many from each hypothesis as it has weight. */
function drawLugHz(hypotheses: ReadonlyArray<{ belief: Belief; weight: number }>, lugs: number): number[][] {
  const all = standardDraws()
  let from = 0
  let sum = 0
  return hypotheses.flatMap(({ belief, weight }) => {
    sum += weight
    const to = Math.round(sum * all.length)
    const part = drawFrom(belief, lugs, all.slice(from, to))
    from = to
    return part
  })
}

function drawFrom(belief: Belief, lugs: number, normals: readonly Float64Array[]): number[][] {
  const seen = [MEAN, COSINE, SINE]
  const p = new Float64Array(9)
  seen.forEach((a, i) => seen.forEach((b, j) => (p[i * 3 + j] = belief.p[a * 5 + b])))
  for (let i = 0; i < 3; i++) p[i * 4] += 1e-9 * belief.x[MEAN] ** 2 * 1e-6
  const l =
    cholesky(p, 3) ?? Float64Array.from([Math.sqrt(p[0]), 0, 0, 0, Math.sqrt(p[4]), 0, 0, 0, Math.sqrt(p[8])])
  return normals.map((z) => {
    const [mean, cosine, sine] = seen.map((at, i) => {
      let value = belief.x[at]
      for (let j = 0; j <= i; j++) value += l[i * 3 + j] * z[j]
      return value
    })
    return patternOverLugs({ mean, cosine, sine }, lugs).map((hz2) => Math.sqrt(Math.max(1, hz2)))
  })
}

/** Spread of lug pitches against the target's own profile, in cents. */
export function spreadAgainst(lugHz: readonly number[], target: TargetPattern): number {
  const wanted = patternOverLugs(target, lugHz.length)
  return spreadCents(lugHz.map((hz, i) => hz / Math.sqrt(wanted[i])))
}

/** On pitch means within the band that is drawn: half the tolerance each way. */
export const PITCH_PART = 0.5

export interface Odds {
  /** Probability that spread and mean are within the tolerance. */
  within: number
  /** Probability that the spread is above twice the tolerance. */
  farOut: number
  /** Standard deviation of the spread, in cents. */
  spreadErrorCents: number
  /** The spread that is as likely exceeded as not, and the one that nine in ten stay under, in cents. */
  likelyCents: number
  withinCents: number
}

/** How likely the head is within tolerance, by drawing from what is believed of it. */
export function oddsOf(
  hypotheses: ReadonlyArray<{ belief: Belief; weight: number }>,
  target: TargetPattern,
  lugs: number,
  toleranceCents: number,
): Odds {
  let within = 0
  let farOut = 0
  let sum = 0
  let squares = 0
  const spreads: number[] = []
  const all = drawLugHz(hypotheses, lugs)
  for (const lugHz of all) {
    const spread = spreadAgainst(lugHz, target)
    const mean = meanHz2(lugHz)
    const off = Math.abs((CENTS_PER_NEPER * Math.log(mean / target.mean)) / 2)
    if (spread <= toleranceCents && off <= PITCH_PART * toleranceCents) within++
    if (spread > 2 * toleranceCents) farOut++
    spreads.push(spread)
    sum += spread
    squares += spread * spread
  }
  const average = sum / all.length
  spreads.sort((a, b) => a - b)
  return {
    within: within / all.length,
    farOut: farOut / all.length,
    spreadErrorCents: Math.sqrt(Math.max(0, squares / all.length - average * average)),
    likelyCents: spreads[Math.floor(0.5 * all.length)],
    withinCents: spreads[Math.floor(0.9 * all.length)],
  }
}

/** Mean of the squared lug pitches, in Hz^2. */
function meanHz2(lugHz: readonly number[]): number {
  return lugHz.reduce((sum, hz) => sum + hz * hz, 0) / lugHz.length
}
