import { ENOUGH_STEPS, SLOPE_STEP } from '../numeric/slope'

/** A place of both heads: logarithms of their lug pitches, batter first. */
export type Point = [number, number]
export interface Box {
  low: Point
  high: Point
}

const SMALL_ENOUGH = 1e-4
/** Damping that rises while a step does not help: Levenberg and Marquardt. */
const DAMP = { first: 1e-6, again: 1e-4, up: 10, down: 0.3, most: 1e6 }

/** Least squares of two misses within a box; what runs into a limit slides along it. */
export function descend(start: Point, misses: (at: Point) => Point, box: Box): Point {
  const clamp = (at: Point) =>
    at.map((value, i) => Math.min(box.high[i], Math.max(box.low[i], value))) as Point
  let at = clamp(start)
  let miss = misses(at)
  let damp = DAMP.first
  for (let i = 0; i < ENOUGH_STEPS && Math.hypot(...miss) > SMALL_ENOUGH && damp < DAMP.most; i++) {
    const slopes = ([0, 1] as const).map((axis) => {
      const moved: Point = [...at]
      moved[axis] += SLOPE_STEP
      // Both misses from one evaluation.
      const after = misses(moved)
      return [(after[0] - miss[0]) / SLOPE_STEP, (after[1] - miss[1]) / SLOPE_STEP]
    })
    const gradient = slopes.map((slope) => slope[0] * miss[0] + slope[1] * miss[1])
    // A coordinate that presses against its limit stays there.
    const fixed = at.map(
      (value, axis) =>
        (value >= box.high[axis] - 1e-9 && gradient[axis] < 0) ||
        (value <= box.low[axis] + 1e-9 && gradient[axis] > 0),
    )
    // Until a damped step helps the slopes are the same.
    for (;;) {
      const step = newton(slopes, gradient, fixed, damp)
      const next = clamp([at[0] + step[0], at[1] + step[1]])
      const nextMiss = misses(next)
      if (Math.hypot(...nextMiss) < Math.hypot(...miss) - 1e-9) {
        at = next
        miss = nextMiss
        damp *= DAMP.down
        break
      }
      damp = Math.max(damp, DAMP.again) * DAMP.up
      if (damp >= DAMP.most) break
    }
  }
  return at
}

function newton(slopes: number[][], gradient: number[], fixed: boolean[], damp: number): Point {
  const normal = (i: number, j: number) => slopes[i][0] * slopes[j][0] + slopes[i][1] * slopes[j][1]
  const a = normal(0, 0) * (1 + damp) + 1e-9
  const d = normal(1, 1) * (1 + damp) + 1e-9
  const b = normal(0, 1)
  if (fixed[0] && fixed[1]) return [0, 0]
  if (fixed[0]) return [0, -gradient[1] / d]
  if (fixed[1]) return [-gradient[0] / a, 0]
  const det = a * d - b * b
  return [(-d * gradient[0] + b * gradient[1]) / det, (b * gradient[0] - a * gradient[1]) / det]
}
