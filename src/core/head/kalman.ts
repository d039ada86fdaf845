import type { Gaussian } from '../numeric/gaussian'

/**
 * The filter that carries a head's state: a plain Kalman filter (Kalman 1960; Anderson & Moore, *Optimal Filtering*,
 * chapter 3) on five numbers. Squared pitches are linear in turns, and for known turns the step is linear in the
 * answers too, so learning the drum is part of the same filter.
 */

/** Squared mean pitch, second harmonic (cosine, sine) in Hz^2, and the answers in Hz^2 per turn. */
export const [MEAN, COSINE, SINE, TURN_LAW, SECOND] = [0, 1, 2, 3, 4]
const SIZE = SECOND + 1

/** The state with its 5 x 5 covariance. */
export type Belief = Gaussian

export function copyBelief(belief: Belief): Belief {
  return { x: belief.x.slice(), p: belief.p.slice() }
}

export interface TurnPattern {
  mean: number
  cosine: number
  sine: number
}

/**
 * Carries the state over a set of turns, given as their mean and second harmonic.
 * @param noise variances added to mean, cosine and sine
 */
export function turn(belief: Belief, pattern: TurnPattern, noise: readonly [number, number, number]): Belief {
  const next = copyBelief(belief)
  const moves: Array<[number, number, number]> = [
    [MEAN, TURN_LAW, pattern.mean],
    [COSINE, SECOND, pattern.cosine],
    [SINE, SECOND, pattern.sine],
  ]
  for (const [target, source, amount] of moves) next.x[target] += belief.x[source] * amount
  // P' = F P F^T with F the identity plus `amount` at (target, source): rows first, then columns.
  for (const [target, source, amount] of moves) {
    for (let j = 0; j < SIZE; j++) next.p[target * SIZE + j] += amount * next.p[source * SIZE + j]
  }
  for (const [target, source, amount] of moves) {
    for (let i = 0; i < SIZE; i++) next.p[i * SIZE + target] += amount * next.p[i * SIZE + source]
  }
  noise.forEach((variance, i) => (next.p[i * SIZE + i] += variance))
  return next
}
