import { cholesky, choleskySolve, invertSymmetric } from '../numeric/linear'
import { gaugeSeen, meanDial, pitchOf, tensionAtDial } from './gauge'
import { harmonicsOf } from './harmonics'
import { observed } from '../numeric/gaussian'
import { COSINE, copyBelief, MEAN, SECOND, SINE, TURN_LAW, type Belief } from './kalman'
import type { Gaussian3 } from './poleFit'
import { rodPulls, rodsSeen, type RodBelief } from './rods'
import type { StandingFit } from './standing'
import type { EvenHead, GaugeLaw } from './types'

/** How readings by pitch and by gauge change what is believed of a head. */

/** A gauge's law holds to this part of the tension, from drum to drum and day to day. */
const GAUGE_LAW_DOUBT = 0.03

/** The second pattern in turns, as pitch and the head's answer to it say. */
export function withPitch(rods: RodBelief, belief: Belief, lugs: number): RodBelief {
  const second = Math.max(1, belief.x[SECOND])
  const doubt = Math.sqrt(belief.p[SECOND * 6]) / second
  const part = (at: number) => ({
    turns: belief.x[at] / second,
    sd: Math.hypot(Math.sqrt(belief.p[at * 6]) / second, (doubt * belief.x[at]) / second, 1e-3),
  })
  return rodsSeen(rods, part(COSINE), lugs === 4 ? null : part(SINE))
}

/**
 * The dial: evenness in all patterns; with a law also the mean, and where no pitch was read the second pattern as well.
 * @returns the rods, and what it changes in a belief of the pitch
 */
export function takeGauge(
  head: EvenHead,
  { rods, gaugeLaw }: { rods: RodBelief; gaugeLaw: GaugeLaw | null },
  { x }: Belief,
  gauge: ReadonlyArray<number | null>,
  gaugeError: number,
  pitchRead: boolean,
) {
  const dial = meanDial(gauge)!
  let mean: { value: number; variance: number } | null = null
  if (!pitchRead && gaugeLaw) {
    const hz = pitchOf(head, tensionAtDial(gaugeLaw, dial))
    const read = gauge.filter((value) => value !== null).length
    const part = Math.hypot(gaugeError / Math.sqrt(read) / Math.max(1, gaugeLaw.g0 - dial), GAUGE_LAW_DOUBT)
    mean = { value: hz * hz, variance: (hz * hz * part) ** 2 }
  }
  const held = Math.max(LEAST_HELD_TURNS, (mean?.value ?? x[MEAN]) / Math.max(1, x[TURN_LAW]))
  const seen = gaugeSeen(rods, gauge, gaugeLaw, gaugeError, held)
  const waves = wavesOf(seen)
  const change = (belief: Belief) =>
    takeEvenness(mean ? observed(belief, unit(MEAN), mean.value, mean.variance) : belief, waves, head.lugs)
  return { rods: seen, change }
}

/** Even a slack head holds a little: a dial has something to give way to. */
const LEAST_HELD_TURNS = 0.05

/** The second pattern of the rods, in turns: what pitch would show of them. */
export function wavesOf(rods: RodBelief): Array<[number, { turns: number; sd: number }]> {
  const pulls = rodPulls(rods)
  const { cosine, sine } = harmonicsOf(pulls.map(({ turns }) => turns))
  const sd = (Math.sqrt(2 / rods.lugs) * pulls.reduce((sum, { error }) => sum + error, 0)) / rods.lugs
  return [
    [COSINE, { turns: cosine, sd }],
    [SINE, { turns: sine, sd }],
  ]
}

/** Takes in evenness alone, as the rods' pull shows it: nothing is said of the mean. */
export function takeEvenness(before: Belief, waves: ReturnType<typeof wavesOf>, lugs: number): Belief {
  let belief = before
  const second = before.x[SECOND]
  for (const [at, pattern] of waves) {
    if (at === SINE && lugs === 4) continue
    belief = observed(belief, unit(at), second * pattern.turns, (second * pattern.sd) ** 2)
  }
  return belief
}

/**
 * How far readings lay from what was expected of them: squared standard errors, a third of their sum over mean and second
 * harmonic. 1 is as expected.
 */
export function surpriseOf(before: Belief, after: Belief): number {
  const [a, b] = [seenPart(before), seenPart(after)]
  const l = cholesky(
    a.p.map((v, i) => v + b.p[i]),
    3,
  )
  if (!l) return 1
  const d = a.x.map((v, i) => b.x[i] - v)
  const solved = choleskySolve(l, d, 3)
  return d.reduce((sum, v, i) => sum + v * solved[i], 0) / 3
}

/** Takes in what is believed of mean and second harmonic after readings, from a prior, with all that depends on them. */
export function condition(belief: Belief, prior: Gaussian3, { x, p }: Gaussian3): Belief {
  const inverse = invertSymmetric(prior.p, 3)
  if (!inverse) return belief
  const next = copyBelief(belief)
  const size = belief.x.length
  // Gain of every number of the state on the three that were seen.
  const gain = Array.from({ length: size }, (_, i) =>
    [0, 1, 2].map((j) => [0, 1, 2].reduce((sum, k) => sum + belief.p[i * size + k] * inverse[k * 3 + j], 0)),
  )
  for (let i = 0; i < size; i++) {
    for (let j = 0; j < 3; j++) next.x[i] += gain[i][j] * (x[j] - prior.x[j])
    for (let j = 0; j < size; j++) {
      let change = 0
      for (let a = 0; a < 3; a++)
        for (let b = 0; b < 3; b++) change += gain[i][a] * (prior.p[a * 3 + b] - p[a * 3 + b]) * gain[j][b]
      next.p[i * size + j] -= change
    }
  }
  // Where the prior was widened first, the seen part is what the readings left, not the change from before.
  for (let i = 0; i < 3; i++) {
    for (let j = 0; j < 3; j++) next.p[i * size + j] = p[i * 3 + j]
    for (let j = 3; j < size; j++) {
      const cross = [0, 1, 2].reduce((sum, k) => sum + p[i * 3 + k] * gain[j][k], 0)
      next.p[i * size + j] = next.p[j * size + i] = cross
    }
  }
  return next
}

/** Mean and second harmonic with their covariance. */
export function seenPart({ x, p }: Belief): Gaussian3 {
  const size = x.length
  const part = new Float64Array(9)
  for (let i = 0; i < 3; i++) for (let j = 0; j < 3; j++) part[i * 3 + j] = p[i * size + j]
  return { x: [x[MEAN], x[COSINE], x[SINE]], p: part }
}

/** Takes in the two pitches of a head and their axis, which is known to within `axisError` (rad; Infinity for not at all). */
export function takeLevels(before: Belief, levels: StandingFit, axisError: number, lugs: number): Belief {
  const belief = observed(before, unit(MEAN), levels.mean, levels.variance)
  const size2 = levels.cosine ** 2 + levels.sine ** 2
  if (size2 === 0 || axisError === Infinity) return belief
  const axis = size2 * (2 * axisError) ** 2
  const withCosine = observed(belief, unit(COSINE), levels.cosine, 2 * levels.variance + axis / 2)
  return lugs === 4
    ? withCosine
    : observed(withCosine, unit(SINE), levels.sine, 2 * levels.variance + axis / 2)
}

const unit = (at: number) => [0, 1, 2, 3, 4].map((i) => (i === at ? 1 : 0))
