import { fitAmplitudes } from './refine'
import { subspacePoles, type Pole } from './subspace'
import type { Tail } from './tail'

/** A tone that rang before the stroke counts from this part of the tail's own first rms on. */
const LOUD_ENOUGH = 0.02
/** ... where it is most of the power around it, and lasts. */
const OVER_NOISE = 6
const LASTING_SECONDS = 0.15
const MOST = 2
/** It goes on as it was, or dies away: a mode this much louder after the stroke was struck itself. */
const GREW = 2.5

/**
 * Steady lines heard before the stroke and still there after it, no louder: mains hum, another drum ringing along. They
 * are fitted with the tail and never taken for the drum.
 */
export function ringingBefore(tail: Tail): Pole[] {
  const { before, rateHz, samples, noisePower } = tail
  if (before.length < 0.12 * rateHz || noisePower === 0) return []
  const rms = Math.sqrt(
    samples.subarray(0, Math.round(0.04 * rateHz)).reduce((sum, x) => sum + x * x, 0) / (0.04 * rateHz),
  )
  if (Math.sqrt(noisePower) < LOUD_ENOUGH * rms) return []
  const poles = subspacePoles(before, rateHz, 0).filter(
    ({ hz, decaySeconds }) => hz > 28 && (decaySeconds > LASTING_SECONDS || decaySeconds < 0),
  )
  if (poles.length === 0) return []
  const steady = poles.map(({ hz, decaySeconds }) => ({ hz, decaySeconds: Math.min(6, decaySeconds) }))
  const amplitudes = fitAmplitudes(before, rateHz, steady)
  const after = fitAmplitudes(samples, rateHz, steady)
  const total = noisePower
  const tones = steady.map((pole, k) => ({
    pole,
    power: (amplitudes[2 * k] ** 2 + amplitudes[2 * k + 1] ** 2) / 2,
    grown: Math.hypot(after[2 * k], after[2 * k + 1]) / Math.hypot(amplitudes[2 * k], amplitudes[2 * k + 1]),
  }))
  // White noise of the same power would leave 2 / N of it in a line.
  return tones
    .filter(
      ({ power, grown }) =>
        power > (OVER_NOISE * 2 * total) / before.length && power > 0.05 * total && grown < GREW,
    )
    .sort((a, b) => b.power - a.power)
    .slice(0, MOST)
    .map(({ pole }) => pole)
}
