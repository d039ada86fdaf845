import { secondAnswerPrior, turnLawPrior } from '../membrane/turnLaw'
import { observed, varianceOf, type Gaussian } from '../numeric/gaussian'
import { logNormalDensity, normalCdf } from '../numeric/normal'
import { CENTS_PER_NEPER } from '../units/pitch'
import { circleOf, partsOver } from './circle'
import { HAND_ERROR_TURNS } from './hand'
import { ROUGH_PART, ROUGH_TIMES, SLIP_CONFIRMED, SLIP_PART } from './readingLaw'
import type { BareSource as Source, ScatterWeights } from '../records/even'
import { SCATTERS, SCATTER_WEIGHTS } from './scatter'
import type { EvenHead, Learned } from './types'

/**
 * The head as numbers show it that differ lug by lug: every lug has a pitch of its own, and every pattern around the head answers
 * turns by a gain of its own, which the passes teach. In circular harmonics a turn moves each pattern by its gain times the same
 * pattern of the turns, so that for known turns the step is linear in patterns and gains together: a plain Kalman filter. How far
 * readings scatter and how far lugs differ is not known: a small grid, each carried as one normal law and weighed by how well it foretold
 * what was read (a Gaussian-sum filter: Alspach & Sorenson 1972, from memory).
 *
 * The picture of two poles is that in which all gains but those of the mean and of the second pattern are nothing.
 */

/** One of the grid: parts and then gains, in cents at the reference pitch (and those a turn), with what it takes for granted. */
export interface Member extends Gaussian {
  /** Log of prior and evidence. */
  log: number
  /** Scatter of readings, in stated errors. */
  scatter: number
}

export interface LugPicture {
  members: readonly Member[]
  lugs: number
  source: Source
  /** Squared pitch at which a cent is a cent: everything is linear in squared pitch. */
  aroundHz2: number
  /** Lugs (0-based) of the newest round that lie where no lug could, in the likeliest member. */
  stray: number[]
}

/** How far lugs differ by themselves, in cents, before anything was read: nearly even, as found, far out. */
const LOCAL_CENTS = [1, 4, 12, 30]
const LOCAL_WEIGHTS = [0.2, 0.15, 0.15, 0.2]
/**
 * One lug, two or three lie off and the others lie together: those that were read farthest from the middle at first, by so many cents. Any
 * few might; what was read picks them, and the prior is that of all ways to pick as many.
 */
const FEW_OFF = [0.15, 0.1, 0.05]
const OFF_CENTS = [50, 200]
const FEW_REST = 2

/** How deep a snare bed lies, one standard error in cents: from nothing to a whole tone (common practice, no source). */
const BED_CENTS = 60

/** How many ways there are to pick some of so many. */
function ways(of: number, some: number): number {
  let count = 1
  for (let i = 0; i < some; i++) count *= (of - i) / (i + 1)
  return Math.max(1, count)
}

/** The second pattern is what every uneven head has, in cents each way. */
const SECOND_CENTS = 30
/** Gains of the patterns other than mean and second, against the turn law, by source. */
const LOCAL_GAIN: Record<Source, { mean: number; sd: number }> = {
  number: { mean: 0.25, sd: 0.15 },
  dial: { mean: 0.5, sd: 0.25 },
  ear: { mean: 0.25, sd: 0.15 },
}
/** Part of what a pass did to a pattern that may show otherwise: rods stick, no two are alike. */
const UNLIKE_RODS = 0.12
/** A number that is another mode or a slip lies anywhere in so many cents. */
const SLIP_CENTS = 1600

/**
 * Before anything was read, around a squared pitch in Hz^2.
 * @param farthest lugs (0-based) of the first reading, farthest from its middle first
 * @param scatterWeights what is known of the hand that reads
 */
export function lugPictureOf(
  head: EvenHead,
  aroundHz2: number,
  source: Source,
  learned: Learned | undefined,
  farthest: readonly number[],
  scatterWeights: ScatterWeights = SCATTER_WEIGHTS,
): LugPicture {
  const { lugs } = head
  const { order, orders, at: waves } = circleOf(lugs)
  const size = lugs + orders
  const toCents = CENTS_PER_NEPER / (2 * aroundHz2)
  const usual = turnLawPrior(head.diameterInches, head.threadPitchMm, head.pliesMils)
  const k = toCents * (learned?.hz2PerTurn ?? usual.mean)
  const kSd = toCents * (learned?.hz2PerTurnError ?? usual.sd)
  const second = secondAnswerPrior(head.hoop, lugs)
  const gain = (at: number) =>
    at === 0 ? { mean: 1, sd: 0 } : at === 2 && source === 'number' ? second : LOCAL_GAIN[source]
  const starts: Array<{ local: number; weight: number; off: number[]; offCents: number }> = [
    ...LOCAL_CENTS.map((local, l) => ({ local, weight: LOCAL_WEIGHTS[l], off: [], offCents: 0 })),
    ...FEW_OFF.slice(0, farthest.length).flatMap((weight, few) =>
      OFF_CENTS.map((offCents) => ({
        ...{ local: FEW_REST, offCents, off: farthest.slice(0, few + 1) },
        weight: weight / OFF_CENTS.length / ways(Math.min(lugs, farthest.length), few + 1),
      })),
    ),
  ]
  const beside = partsOver(
    waves.map((_, lug) => (head.snareBed?.lugs.includes(lug + 1) ? 1 : 0)),
    lugs,
  )
  const members = starts.flatMap(({ local, weight, off, offCents }) =>
    SCATTERS[source].slice(0, off.length ? 2 : undefined).map((scatter, s): Member => {
      const x = new Float64Array(size)
      const p = new Float64Array(size * size)
      order.forEach((at, part) => {
        const sd =
          at === 0
            ? CENTS_PER_NEPER * Math.sqrt(lugs)
            : at === 2
              ? Math.hypot(local, SECOND_CENTS * Math.sqrt(lugs / 2))
              : local
        p[part * (size + 1)] = sd * sd
      })
      for (const lug of off)
        for (let i = 1; i < lugs; i++)
          for (let j = 1; j < lugs; j++) p[i * size + j] += offCents ** 2 * waves[lug][i] * waves[lug][j]
      // The lugs beside a bed lie lower together, by nobody knows how much.
      for (let i = 1; i < lugs; i++)
        for (let j = 1; j < lugs; j++) p[i * size + j] += BED_CENTS ** 2 * beside[i] * beside[j]
      for (let i = 0; i < orders; i++) {
        x[lugs + i] = gain(i).mean * k
        for (let j = 0; j < orders; j++)
          p[(lugs + i) * size + lugs + j] =
            gain(i).mean * gain(j).mean * kSd * kSd + (i === j ? (gain(i).sd * k) ** 2 : 0)
      }
      return { x, p, log: Math.log(weight * scatterWeights[s]), scatter }
    }),
  )
  return { members, lugs, source, aroundHz2, stray: [] }
}

/** A number for a lug, in cents of squared pitch at the reference, with its stated error there. */
export interface LugNumber {
  lug: number
  cents: number
  error: number
  confirmed: boolean
}

/** A word for a lug against another: the cents between which what was heard lay, and the noise of this ear. */
export interface LugWord {
  lug: number
  against: number
  from: number
  to: number
  error: number
}

const rowOf = ({ lug, against }: { lug: number; against?: number }, lugs: number): Float64Array => {
  const { at, orders } = circleOf(lugs)
  const row = new Float64Array(lugs + orders)
  at[lug].forEach((value, part) => (row[part] = value - (against === undefined ? 0 : at[against][part])))
  return row
}

const normalDensity = (off: number, variance: number) =>
  Math.exp((-off * off) / (2 * variance)) / Math.sqrt(2 * Math.PI * variance)

/** A number that is worth less than this part of a good one is not taken in. */
const LEAST_WORTH = 1e-3

/** Takes in numbers, those nearest the middle first: a stray one is then told by the others. */
export function numbersRead(picture: LugPicture, numbers: readonly LugNumber[]): LugPicture {
  const { lugs } = picture
  const sorted = [...numbers].sort((a, b) => a.cents - b.cents)
  const middle = sorted[Math.floor(sorted.length / 2)]?.cents ?? 0
  sorted.sort((a, b) => Math.abs(a.cents - middle) - Math.abs(b.cents - middle))
  let stray: number[] = []
  let best = -Infinity
  const members = picture.members.map((member) => {
    let { log } = member
    let now: Gaussian = member
    const left: number[] = []
    for (const number of sorted) {
      const slip = number.confirmed ? SLIP_CONFIRMED : SLIP_PART
      const row = rowOf(number, lugs)
      const noise = (member.scatter * number.error) ** 2
      const { mean, variance } = foreseen(now, row)
      const off = number.cents - mean
      // Within its error, rough, or nothing of this head at all: each as likely as it makes what was read.
      const near = (1 - slip) * (1 - ROUGH_PART) * normalDensity(off, variance + noise)
      const rough = (1 - slip) * ROUGH_PART * normalDensity(off, variance + ROUGH_TIMES ** 2 * noise)
      const none = slip / SLIP_CENTS
      const total = near + rough + none
      log += Math.log(total)
      if (none > 0.5 * total) left.push(number.lug)
      const worth = (near + rough / ROUGH_TIMES ** 2) / total
      if (worth > LEAST_WORTH) now = observed(now, row, number.cents, noise / worth)
    }
    if (log > best) {
      best = log
      stray = left
    }
    return { ...member, x: now.x, p: now.p, log }
  })
  return { ...picture, members, stray }
}

/**
 * Takes in words: what was heard, with the ear's own noise, lay in the word's interval. The belief keeps the mean and the variance of
 * the normal law cut off there (assumed-density filtering: Maybeck 1982, chapter 12, from memory).
 */
export function wordsRead(picture: LugPicture, words: readonly LugWord[]): LugPicture {
  const members = picture.members.map((member) => {
    let now: Gaussian = member
    let { log } = member
    for (const word of words) {
      const taken = between(now, rowOf(word, picture.lugs), member.scatter * word.error, word)
      now = taken.belief
      log += taken.log
    }
    return { ...member, x: now.x, p: now.p, log }
  })
  return { ...picture, members, stray: [] }
}

/** A word is another word than was meant as often as a number is a slip. */
function between(belief: Gaussian, row: Float64Array, noise: number, { from, to }: LugWord) {
  const { mean, variance } = foreseen(belief, row)
  const total = Math.sqrt(variance + noise * noise)
  const [a, b] = [(from - mean) / total, (to - mean) / total]
  const inside = normalCdf(b) - normalCdf(a)
  const log = Math.log((1 - SLIP_PART) * Math.max(0, inside) + SLIP_PART / WORDS)
  if (inside < LEAST_INSIDE) return { belief, log }
  const [atA, atB] = [a, b].map((z) => (Number.isFinite(z) ? Math.exp(logNormalDensity(z, 1)) : 0))
  const shift = (atA - atB) / inside
  const left =
    1 + ((Number.isFinite(a) ? a * atA : 0) - (Number.isFinite(b) ? b * atB : 0)) / inside - shift ** 2
  const told = Math.max(1e-6, 1 - Math.max(0, left))
  // The same as a number with so much noise that it leaves that mean and that variance.
  const value = mean + (shift * total) / told
  return { belief: observed(belief, row, value, Math.max(1e-9, total ** 2 / told - variance)), log }
}

/** Words that an ear has, and the least probability that is told from none. */
const WORDS = 5
const LEAST_INSIDE = 1e-6

function foreseen(belief: Gaussian, row: Float64Array) {
  return {
    mean: row.reduce((sum, value, i) => sum + value * belief.x[i], 0),
    variance: varianceOf(belief, row),
  }
}

/** Carries the picture over a pass. */
export function lugsTurned(picture: LugPicture, turns: readonly number[], settling: number): LugPicture {
  const { lugs } = picture
  const { order } = circleOf(lugs)
  const parts = partsOver(turns, lugs)
  const hand = (HAND_ERROR_TURNS ** 2 * turns.filter((turn) => turn !== 0).length) / lugs
  return {
    ...picture,
    members: picture.members.map((member) => {
      const size = member.x.length
      const x = member.x.slice()
      const p = member.p.slice()
      order.forEach((at, part) => (x[part] += member.x[lugs + at] * parts[part]))
      // P' = F P F^T with F the identity and the parts of the turns: rows first, then columns.
      order.forEach((at, part) => {
        for (let j = 0; j < size; j++) p[part * size + j] += parts[part] * p[(lugs + at) * size + j]
      })
      order.forEach((at, part) => {
        for (let i = 0; i < size; i++) p[i * size + part] += parts[part] * p[i * size + lugs + at]
      })
      order.forEach((at, part) => {
        const gain = x[lugs + at]
        const gain2 = gain * gain + p[(lugs + at) * (size + 1)]
        p[part * (size + 1)] += gain2 * hand + (UNLIKE_RODS * gain * parts[part]) ** 2
        if (at === 0) p[part * (size + 1)] += lugs * settling ** 2
      })
      return { ...member, x, p }
    }),
  }
}

/** Members by weight, adding up to 1. */
export function weighed({ members }: LugPicture): Array<{ member: Member; weight: number }> {
  const best = Math.max(...members.map(({ log }) => log))
  const total = members.reduce((sum, { log }) => sum + Math.exp(log - best), 0)
  return members.map((member) => ({ member, weight: Math.exp(member.log - best) / total }))
}

/** Log of how likely all that was read was, over the whole grid. */
export function evidenceOf({ members }: LugPicture): number {
  const best = Math.max(...members.map(({ log }) => log))
  return best + Math.log(members.reduce((sum, { log }) => sum + Math.exp(log - best), 0))
}

/** Cents of every lug at the reference pitch, as expected, with one standard error. */
export function lugCents(picture: LugPicture): Array<{ cents: number; error: number }> {
  const all = weighed(picture)
  return circleOf(picture.lugs).at.map((_, lug) => {
    const row = rowOf({ lug }, picture.lugs)
    const each = all.map(({ member, weight }) => ({ weight, ...foreseen(member, row) }))
    const cents = each.reduce((sum, { weight, mean }) => sum + weight * mean, 0)
    const variance = each.reduce(
      (sum, { weight, mean, variance: own }) => sum + weight * (own + (mean - cents) ** 2),
      0,
    )
    return { cents, error: Math.sqrt(variance) }
  })
}

/** The pitch in Hz that is so many cents at the reference pitch. */
export const hzOf = ({ aroundHz2 }: LugPicture, cents: number): number =>
  Math.sqrt(Math.max(1, aroundHz2 * (1 + (2 * cents) / CENTS_PER_NEPER)))
