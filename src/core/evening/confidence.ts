import { once } from '../numeric/once'
import { cholesky } from '../numeric/linear'
import { seededRandom } from '../numeric/random'
import { patternOverLugs, spreadCents } from '../head/harmonics'
import { COSINE, MEAN, SINE, type Belief } from '../head/kalman'
import { CENTS_PER_NEPER } from '../units/pitch'
import type { HeadState } from '../head/estimate'
import { lugsLead, shownLugHz } from '../head/pictures'
import { overLugs } from '../head/circle'
import { hzOf, weighed, type LugPicture } from '../head/lugPicture'
import { onOwnBed } from './bed'
import { wantedOverLugs, type TargetPattern } from './cost'

const DRAWS = 400
const SEED = 20
/** The same standard normal triples every time: an answer must not change when asked twice. */
const standardDraws = once(() => {
  const random = seededRandom(SEED)
  return Array.from({ length: DRAWS }, () => Float64Array.from({ length: 3 }, () => random.normal()))
})

/** The same for a picture lug by lug, as many numbers as a head may have lugs. */
const lugDraws = once(() => {
  const random = seededRandom(SEED)
  return Array.from({ length: DRAWS }, () => Float64Array.from({ length: MOST_LUGS }, () => random.normal()))
})
const MOST_LUGS = 24

/** Lug pitches drawn from both pictures by their weights, each with whether it is the one lug by lug. */
function drawAll({ hypotheses, byLug, lugs }: Pick<HeadState, 'hypotheses' | 'byLug' | 'lugs'>) {
  const own = byLug ? Math.round(byLug.weight * DRAWS) : 0
  const as = (alone: boolean) => (lugHz: number[]) => ({ lugHz, alone })
  return [
    ...drawLugHz(hypotheses, lugs, DRAWS - own).map(as(false)),
    ...(byLug ? drawLugs(byLug.picture, own).map(as(true)) : []),
  ]
}

/** Lug pitches drawn from a picture lug by lug: so many from each member as it has weight. */
function drawLugs(picture: LugPicture, count: number): number[][] {
  const { lugs } = picture
  const normals = lugDraws()
  let sum = 0
  let from = 0
  return weighed(picture).flatMap(({ member: { x, p }, weight }) => {
    sum += weight
    const to = Math.round(sum * count)
    const part = new Float64Array(lugs * lugs)
    for (let i = 0; i < lugs; i++) for (let j = 0; j < lugs; j++) part[i * lugs + j] = p[i * x.length + j]
    for (let i = 0; i < lugs; i++) part[i * (lugs + 1)] += 1e-6
    const l = to > from ? cholesky(part, lugs) : null
    const drawn = normals.slice(from, to).map((z) => {
      const parts = Array.from({ length: lugs }, (_, i) => {
        let value = x[i]
        for (let j = 0; j <= i; j++) value += (l ? l[i * lugs + j] : 0) * z[j]
        return value
      })
      return overLugs(parts, lugs).map((cents) => hzOf(picture, cents))
    })
    from = to
    return drawn
  })
}

/** Lug pitches drawn from what is believed of the head: so many from each hypothesis as it has weight. */
function drawLugHz(
  hypotheses: ReadonlyArray<{ belief: Belief; weight: number }>,
  lugs: number,
  count: number,
): number[][] {
  const all = standardDraws().slice(0, count)
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

/** Spread of lug pitches against what is wanted of them, in cents. @param alone see {@link wantedOverLugs} */
export function spreadAgainst(lugHz: readonly number[], target: TargetPattern, alone: boolean): number {
  const wanted = target.bed ? onOwnBed(target.bed, lugHz, alone) : wantedOverLugs(target, lugHz.length, alone)
  return spreadCents(lugHz.map((hz, i) => hz / Math.sqrt(wanted[i])))
}

/** The same of the picture that leads. */
export const shownSpread = (state: HeadState, target: TargetPattern): number =>
  spreadAgainst(shownLugHz(state), target, lugsLead(state))

/** How likely lugs lie together within so many cents of what is wanted of them, wherever the head stands. */
export function lugsTogether(picture: LugPicture, target: TargetPattern, withinCents: number): number {
  const all = drawLugs(picture, DRAWS)
  return all.filter((lugHz) => spreadAgainst(lugHz, target, true) <= withinCents).length / all.length
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
  state: Pick<HeadState, 'hypotheses' | 'byLug' | 'lugs'>,
  target: TargetPattern,
  toleranceCents: number,
): Odds {
  let within = 0
  let farOut = 0
  let sum = 0
  let squares = 0
  const spreads: number[] = []
  const all = drawAll(state)
  for (const { lugHz, alone } of all) {
    const spread = spreadAgainst(lugHz, target, alone)
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
