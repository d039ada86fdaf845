import { invertSymmetric } from '../numeric/linear'
import { condition, seenPart } from './intake'
import { COSINE, copyBelief, MEAN, SINE, type Belief } from './kalman'
import { distance, fitHills, startsFor, type Gaussian3 } from './poleFit'
import type { Reader } from './readingLaw'
import type { LugReading } from './readings'

/**
 * Several beliefs of one head side by side, each with its weight: which way its source makes one number of two poles, which
 * hill of the likelihood it stands on, and whether the history of turns is to be trusted (a Gaussian-sum filter: Alspach &
 * Sorenson 1972, from memory).
 */
export interface Hypothesis {
  belief: Belief
  weight: number
  reader: Reader
}

/** Hypotheses that are carried from round to round, and the least part of the likeliest that one must have. */
const MOST_CARRIED = 5
const MOST_CARRIED_OLD = 2
const LEAST_PART = 2e-3
/**
 * Each round is also read without its history: with this probability something else happened than was told (another turn,
 * another head pitch, a rod that gave way), and the head is anywhere within these parts of its squared pitch.
 */
const HISTORY_WRONG = 0.02
const ANYWHERE = { mean: 0.25, wave: 0.12 }
/** Two hypotheses within so many squared standard errors say the same. */
const SAME = 1.5

/** Takes in readings: all hypotheses as they then are, and the log of how likely the readings were. */
export function readInto(
  hypotheses: readonly Hypothesis[],
  readings: readonly LugReading[],
  lugs: number,
  { thorough, first }: { thorough: boolean; first: boolean },
): { hypotheses: Hypothesis[]; logEvidence: number } {
  const starts = thorough ? startsFor(readings, lugs) : []
  const children: Array<Hypothesis & { log: number }> = []
  const grow = (from: Hypothesis, prior: Belief, part: number) => {
    const seen = seenPart(prior)
    for (const hill of fitHills(seen, readings, lugs, from.reader, starts)) {
      children.push({
        reader: from.reader,
        belief: condition(prior, seen, hill),
        weight: 0,
        log: Math.log(from.weight * part) + hill.logEvidence,
      })
    }
  }
  const trusted = first ? 1 : 1 - HISTORY_WRONG
  for (const hypothesis of hypotheses) grow(hypothesis, hypothesis.belief, trusted)
  if (!first)
    for (const one of bestOfEachReader(hypotheses))
      grow({ ...one, weight: weightOf(hypotheses, one.reader) }, withoutHistory(one.belief), HISTORY_WRONG)
  if (children.length === 0) return { hypotheses: [...hypotheses], logEvidence: -1e3 }
  const best = Math.max(...children.map(({ log }) => log))
  const total = children.reduce((sum, { log }) => sum + Math.exp(log - best), 0)
  const weighed = children.map(({ belief, reader, log }) => ({
    ...{ belief, reader },
    weight: Math.exp(log - best) / total,
  }))
  return {
    hypotheses: pruned(weighed, thorough ? MOST_CARRIED : MOST_CARRIED_OLD),
    logEvidence: best + Math.log(total),
  }
}

const weightOf = (hypotheses: readonly Hypothesis[], reader: Reader) =>
  hypotheses.reduce((sum, one) => sum + (one.reader === reader ? one.weight : 0), 0)

function bestOfEachReader(hypotheses: readonly Hypothesis[]): Hypothesis[] {
  const best = new Map<Reader, Hypothesis>()
  for (const one of hypotheses) {
    const known = best.get(one.reader)
    if (!known || known.weight < one.weight) best.set(one.reader, one)
  }
  return [...best.values()]
}

/** The head may be anywhere; what it taught of its answers stays. */
function withoutHistory(belief: Belief): Belief {
  const next = copyBelief(belief)
  const size = next.x.length
  for (const at of [MEAN, COSINE, SINE]) {
    for (let j = 0; j < size; j++) next.p[at * size + j] = next.p[j * size + at] = 0
    const part = at === MEAN ? ANYWHERE.mean : ANYWHERE.wave
    next.p[at * (size + 1)] = (part * next.x[MEAN]) ** 2
    if (at !== MEAN) next.x[at] = 0
  }
  return next
}

/** The likeliest, those that say the same taken together. */
function pruned(all: readonly Hypothesis[], most: number): Hypothesis[] {
  const sorted = [...all].sort((a, b) => b.weight - a.weight)
  const kept: Hypothesis[] = []
  for (const one of sorted) {
    if (one.weight < LEAST_PART * sorted[0].weight) break
    const at = kept.findIndex((other) => other.reader === one.reader && alike(other.belief, one.belief))
    if (at >= 0) kept[at] = together([kept[at], one])
    else if (kept.length < most) kept.push(one)
  }
  const total = kept.reduce((sum, { weight }) => sum + weight, 0)
  return kept.map((one) => ({ ...one, weight: one.weight / total }))
}

function alike(a: Belief, b: Belief): boolean {
  const [x, y] = [seenPart(a), seenPart(b)]
  const both: Gaussian3 = { x: y.x, p: x.p.map((v, i) => v + y.p[i]) }
  return invertSymmetric(both.p, 3) !== null && distance(x.x, both) < SAME
}

/** Mean and covariance of several hypotheses, under the label of the first. */
function together(parts: readonly Hypothesis[]): Hypothesis {
  return {
    belief: momentsOf(parts),
    weight: parts.reduce((sum, { weight }) => sum + weight, 0),
    reader: parts[0].reader,
  }
}

/** All hypotheses as one normal law: what is expected of the head, and how far it may be from that. */
export function momentsOf(hypotheses: readonly Hypothesis[]): Belief {
  if (hypotheses.length === 1) return hypotheses[0].belief
  const total = hypotheses.reduce((sum, { weight }) => sum + weight, 0)
  const size = hypotheses[0].belief.x.length
  const x = new Float64Array(size)
  const p = new Float64Array(size * size)
  for (const { belief, weight } of hypotheses) belief.x.forEach((v, i) => (x[i] += (weight / total) * v))
  for (const { belief, weight } of hypotheses) {
    for (let i = 0; i < size; i++)
      for (let j = 0; j < size; j++)
        p[i * size + j] +=
          (weight / total) * (belief.p[i * size + j] + (belief.x[i] - x[i]) * (belief.x[j] - x[j]))
  }
  return { x, p }
}
