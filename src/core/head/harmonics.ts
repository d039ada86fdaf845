/**
 * Patterns over the lugs of one head. Lug i (0-based) stands at angle 2 pi i / L from lug 1.
 *
 * The lug pitch of a head sees two patterns of its rods only: the uniform one and the second harmonic (first-order
 * perturbation of the degenerate (1,1) pair by a tension ripple; see docs/decisions/lug-harmonics.md).
 */
export interface Harmonics {
  /** Mean over the lugs. */
  mean: number
  /** Second harmonic: the part cosine * cos(2 angle) + sine * sin(2 angle). */
  cosine: number
  sine: number
}

/** Angle of lug `index` (0-based) of `lugs`, in radians from lug 1. */
export function lugAngle(index: number, lugs: number): number {
  return (2 * Math.PI * index) / lugs
}

interface Waves {
  cosine: Float64Array
  sine: Float64Array
}
const waves: Waves[] = []

/** The second pattern over the lugs, remembered: a search for turns asks for it many thousand times. */
export function wavesOver(lugs: number): Waves {
  return (waves[lugs] ??= {
    cosine: Float64Array.from({ length: lugs }, (_, i) => Math.cos(2 * lugAngle(i, lugs))),
    sine: Float64Array.from({ length: lugs }, (_, i) => Math.sin(2 * lugAngle(i, lugs))),
  })
}

/** Least-squares mean and second harmonic of one value a lug. With four lugs the sine part cannot be seen and is 0. */
export function harmonicsOf(values: readonly number[]): Harmonics {
  const lugs = values.length
  const wave = wavesOver(lugs)
  let mean = 0
  let cosine = 0
  let sine = 0
  for (let i = 0; i < lugs; i++) {
    mean += values[i] / lugs
    cosine += (values[i] * wave.cosine[i]) / lugs
    sine += (values[i] * wave.sine[i]) / lugs
  }
  return lugs === 4 ? { mean, cosine, sine: 0 } : { mean, cosine: 2 * cosine, sine: 2 * sine }
}

/** The pattern's value at lug `index`, also between lugs; the inverse of {@link harmonicsOf} for patterns that are such. */
export function harmonicAt(pattern: Harmonics, index: number, lugs: number): number {
  const { mean, cosine, sine } = pattern
  // Between lugs, as the strip draws it, there is no table.
  if (!Number.isInteger(index)) {
    const angle = 2 * lugAngle(index, lugs)
    return mean + cosine * Math.cos(angle) + sine * Math.sin(angle)
  }
  const wave = wavesOver(lugs)
  return mean + cosine * wave.cosine[index] + sine * wave.sine[index]
}

/** The pattern at every lug. */
export function patternOverLugs(pattern: Harmonics, lugs: number): number[] {
  return Array.from({ length: lugs }, (_, i) => harmonicAt(pattern, i, lugs))
}

/** The rod opposite `index`: exactly so with an even number, the nearer of the two most nearly opposite with an odd. */
export function oppositeRod(index: number, lugs: number): number {
  return (index + Math.floor(lugs / 2)) % lugs
}

/** Largest minus smallest of some pitches, in cents. */
export function spreadCents(lugHz: readonly number[]): number {
  return (1200 * Math.log(Math.max(...lugHz) / Math.min(...lugHz))) / Math.LN2
}
