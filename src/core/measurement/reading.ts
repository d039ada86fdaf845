import type { Candidate } from './choose'
import { PER_MODE } from './model'
import type { AnalysedMode, Analysis } from './modes'
import type { MeasureOptions } from './types'

/** No claim is finer than this, relative: a hundredth of a cent. */
const LEAST_ERROR = 0.01 / 1731.2
/**
 * A second pole much closer than the width of the first, or much weaker, cannot be seen and moves the reading all the
 * same: by about this part of a width, more where a standing microphone may hear the two with opposite signs.
 */
const HIDDEN = 0.007
/** Where a pair is thought of and not shown, it lies closer than this part of a width, or it would have been. */
const UNSEEN = 0.25
const HIDDEN_STANDING = 0.05
/** Two poles found may be not quite the two there are. */
const HIDDEN_PAIR = 0.008
/** What a stroke bends is known as badly as the glide's shape explains the tail: this times the square root of what is left. */
const BENT_AMISS = 1

/**
 * The amplitude-weighted mean of the poles that are read, and its error, by the fit's whole covariance: two close poles have badly known
 * pitches and levels of their own while their mean is well known. A pair that was thought of and not shown
 * widens it by as much as it is likely.
 */
export function readingOf(
  candidate: Candidate<AnalysedMode>,
  analysis: Analysis,
  mic: MeasureOptions['mic'],
) {
  const { fit, settled } = analysis
  const total = candidate.read.reduce((sum, pole) => sum + pole.amplitude, 0)
  const fill = (gradient: Float64Array) => {
    for (const pole of candidate.read) {
      const mode = fit.modes[pole.index]
      const at = pole.index * PER_MODE
      gradient[at] = pole.amplitude / total
      const byAmplitude = (pole.hz - candidate.hz) / total
      gradient[at + 2] = (byAmplitude * mode.cosine) / pole.amplitude
      gradient[at + 3] = (byAmplitude * mode.sine) / pole.amplitude
    }
  }
  const noise = Math.max(...candidate.read.map((pole) => pole.noisePower))
  const { hz } = candidate
  const bent = settled.glideOdds * Math.abs(fit.glide.relative) * hz
  let variance = settled.errorOf(fill, noise, hz) ** 2 + BENT_AMISS ** 2 * analysis.misfit * bent ** 2
  const maybe = candidate.poles.length === 1 ? candidate.poles[0].maybe : null
  const width = 1 / (Math.PI * candidate.poles[0].decaySeconds)
  if (maybe) variance += maybe.weight * Math.min(Math.abs(maybe.hz - hz), UNSEEN * width) ** 2
  const part = candidate.poles.length > 1 ? HIDDEN_PAIR : mic === 'standing' ? HIDDEN_STANDING : HIDDEN
  return { hz, standardErrorHz: Math.hypot(Math.sqrt(variance), LEAST_ERROR * hz, part * width) }
}
