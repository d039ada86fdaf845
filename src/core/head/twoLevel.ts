import { lugAngle } from './harmonics'
import type { LugReading } from './readings'

/**
 * A head has two edge frequencies, not one per lug. Where they are further apart than a pole is wide, a reader that
 * names the louder pole gives one of two numbers at every lug, and a wave fitted through those is too small. This fits
 * the two levels: for every axis the better of the two poles by a linear fit, best axis kept.
 */
export interface TwoLevelFit {
  /** Mean, and second harmonic as of the weighted pitch, in Hz^2. */
  mean: number
  cosine: number
  sine: number
  /** Sum of squared residuals over their variances, for three free numbers. */
  chiSquared: number
  variance: number
}

const AXES = 90

/** @returns null with fewer than six readings: three free numbers and a free pattern would fit anything. */
export function fitTwoLevels(readings: readonly LugReading[], lugs: number): TwoLevelFit | null {
  if (readings.length < 6) return null
  let best: TwoLevelFit | null = null
  for (let step = 0; step < AXES; step++) {
    const axis = (Math.PI * step) / AXES
    let s = 0
    let sx = 0
    let sxx = 0
    let sy = 0
    let sxy = 0
    let syy = 0
    for (const { lug, hz, errorHz } of readings) {
      const y = hz * hz
      const w = 1 / (2 * hz * errorHz) ** 2
      const x = Math.cos(2 * (lugAngle(lug, lugs) - axis)) >= 0 ? 1 : -1
      s += w
      sx += w * x
      sxx += w
      sy += w * y
      sxy += w * x * y
      syy += w * y * y
    }
    const det = s * sxx - sx * sx
    if (det < 1e-9 * s * s) continue
    const mean = (sxx * sy - sx * sxy) / det
    const amplitude = (s * sxy - sx * sy) / det
    const chiSquared = syy - mean * sy - amplitude * sxy
    if (amplitude >= 0 && (!best || chiSquared < best.chiSquared)) {
      best = {
        mean,
        cosine: amplitude * Math.cos(2 * axis),
        sine: amplitude * Math.sin(2 * axis),
        chiSquared,
        variance: sxx / det,
      }
    }
  }
  return best
}
