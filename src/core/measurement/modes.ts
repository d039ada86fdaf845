import { powerAt } from '../numeric/lines'
import { LOWEST_HZ, ringingBefore } from './before'
import { guessPairs, plausiblePair, type PairRule } from './pair'
import { GLIDE_SD, PER_MODE } from './model'
import { fitAmplitudes, refineModes, type Fit, type FittedMode, type Glide } from './refine'
import { settle, type Settled } from './settle'
import { subspacePoles, type Pole } from './subspace'
import type { Tail } from './tail'
import type { MeasureOptions, Mode } from './types'

/** Modes of a tail: subspace estimate, refinement with the glide, and the question whether a mode is really a pair. */
export interface Analysis {
  /** Loudest first; `index` is the mode's place in the fit. */
  modes: AnalysedMode[]
  fit: Fit
  settled: Settled
  /** Noise variance a sample that the standard errors rest on. */
  noisePower: number
  /** Part of the tail's energy that the modes explain, 0 to 1. */
  explained: number
  /** ... and the part that neither they nor the noise heard before explain. */
  misfit: number
  /** Time from the stroke to the first sample that was fitted. */
  fromSeconds: number
}

export interface AnalysedMode extends Mode {
  index: number
  amplitude: number
  /** Variance of the noise around it, as if white. */
  noisePower: number
  /** It rang before the stroke: a hum, or another drum. */
  before: boolean
  /** A pair was thought of and not shown: where the reading would be, and with what weight (0 to 1). */
  maybe: { hz: number; weight: number } | null
}

/** After three decays and a bit a tail holds nothing more of its pitch: its weight falls as t^2 e^(-2t). */
const DECAYS_USED = 3.3
/** ... but two poles that beat look shorter-lived than they are: so much is taken where it stands above the noise. */
const SHORTEST_FIT_SECONDS = 0.55
/** Modes this loud against the loudest are asked whether they are pairs, and how many of them. */
const LOUD = 0.2
const MOST_SPLITS = 2
/** Difference of the Bayesian information criterion (Schwarz 1978) that a pair must gain over one pole. */
const PAIR_EVIDENCE = 10
const SHORTEST_DECAY_SECONDS = 0.015
const LONGEST_DECAY_SECONDS = 6
/** A mode weaker than this against the loudest tells nothing and costs the fit its condition. */
const WEAKEST = 0.005
const MOST_MODES = 7
/** A mode must stand this many of its own errors above nothing. */
const SIGNIFICANCE = 4
/** The subspace wants steady pitches: it is given the tail without its first 50 ms, where the glide is steepest. */
const STEADY_AFTER_SECONDS = 0.05
/** Poles of the subspace closer than this are one mode bent by the glide, or a pair: both are settled later. */
const SAME_MODE_CENTS_RATIO = 1.03
/** A mode this close to a louder one is its double: whether it is a pair is asked apart. */
const DOUBLE_HZ = 2.5
/** First fits stop early: what they are for needs no more. */
const ROUGHLY = 3e-3
const ROUGH_STEPS = 7
const FINE_STEPS = 10
/** What a stroke bends is gone by a factor e in about this time. */
const GLIDE_GONE_SECONDS = 0.25
const LONGEST_GLIDE_SECONDS = 0.6

export interface AnalysisOptions {
  mic?: MeasureOptions['mic']
  /** Start this long after the tail's own beginning. */
  laterSeconds?: number
}

/** @returns null when the tail holds nothing that rings. */
export function analyseTail(tail: Tail, { mic, laterSeconds = 0 }: AnalysisOptions): Analysis | null {
  const { rateHz, noisePower } = tail
  const later = Math.round(laterSeconds * rateHz)
  const all = tail.samples.subarray(later)
  const fromSeconds = tail.fromSeconds + later / rateHz
  const steady = ringingBefore(tail)
  const poles = firstPoles(all, rateHz, noisePower).filter(
    (pole) => !steady.some((tone) => sameMode(tone, pole)),
  )
  if (poles.length === 0) return null
  // The loudest come first. A beating pair looks short-lived to the subspace, so the longest of the loudest counts.
  const decay = Math.max(...poles.slice(0, 3).map((pole) => pole.decaySeconds))
  const samples = all.subarray(0, Math.ceil(Math.max(SHORTEST_FIT_SECONDS, DECAYS_USED * decay) * rateHz))
  // The tension that a stroke adds goes with the square of the amplitude: half the decay of the loudest mode.
  const glide = { relative: 0, seconds: Math.min(LONGEST_GLIDE_SECONDS, Math.max(0.02, decay / 2)) }
  // The later the window, the less of the glide can be left.
  const glideSd = GLIDE_SD * Math.exp(-laterSeconds / GLIDE_GONE_SECONDS)
  const options = { steady: steady.length, arrived: ROUGHLY, iterations: ROUGH_STEPS, glideSd }
  let fit = refineModes(samples, rateHz, [...poles, ...steady], noisePower, glide, options)
  const kept = significant(fit, samples.length, steady.length)
  if (kept.length === 0) return null
  if (kept.length < poles.length) {
    const tones = fit.modes.slice(fit.modes.length - steady.length)
    fit = refineModes(samples, rateHz, [...kept, ...tones], noiseOf(fit, samples.length), fit.glide, options)
  }
  const split = splitLoudest(
    samples,
    rateHz,
    fit,
    glide,
    { steady: steady.length, glideSd, iterations: FINE_STEPS },
    { mic, fromSeconds },
  )
  return describe(split.fit, split.maybe, samples, tail, steady.length, fromSeconds, glideSd)
}

function sameMode(a: Pole, b: Pole): boolean {
  return Math.max(a.hz / b.hz, b.hz / a.hz) < SAME_MODE_CENTS_RATIO
}

/** Strongest modes first, neighbours merged. */
function firstPoles(samples: Float64Array, rateHz: number, noisePower: number): Pole[] {
  const skip = Math.min(Math.round(STEADY_AFTER_SECONDS * rateHz), Math.floor(samples.length / 4))
  const steady = samples.subarray(skip)
  const poles = subspacePoles(steady, rateHz, noisePower).filter(
    (pole) =>
      pole.hz > LOWEST_HZ &&
      pole.decaySeconds > SHORTEST_DECAY_SECONDS &&
      pole.decaySeconds < LONGEST_DECAY_SECONDS,
  )
  const amplitudes = fitAmplitudes(steady, rateHz, poles)
  const ranked = poles
    .map((pole, k) => ({
      pole,
      energy: (amplitudes[2 * k] ** 2 + amplitudes[2 * k + 1] ** 2) * pole.decaySeconds,
    }))
    .sort((a, b) => b.energy - a.energy)
  const chosen: Pole[] = []
  for (const { pole, energy } of ranked) {
    if (chosen.length === MOST_MODES || energy < ranked[0].energy * WEAKEST ** 2) break
    if (!chosen.some((other) => sameMode(other, pole))) chosen.push(pole)
  }
  return chosen
}

function noiseOf(fit: Fit, count: number): number {
  return fit.residual / Math.max(1, count - fit.parameters)
}

function significant(fit: Fit, count: number, steady: number): FittedMode[] {
  const sigma2 = noiseOf(fit, count)
  const own = fit.modes.slice(0, fit.modes.length - steady)
  const top = Math.max(...own.map((mode) => mode.amplitude))
  return own.filter((mode, k) => {
    const louder = own.some(
      (other) => other.amplitude > mode.amplitude && Math.abs(other.hz - mode.hz) < DOUBLE_HZ,
    )
    if (louder || mode.amplitude < WEAKEST * top || mode.decaySeconds < SHORTEST_DECAY_SECONDS) return false
    if (!fit.covariance) return true
    const n = fit.parameters
    const at = k * PER_MODE + 2
    const variance = (fit.covariance[at * n + at] + fit.covariance[(at + 1) * n + at + 1]) * sigma2
    return mode.amplitude > SIGNIFICANCE * Math.sqrt(variance / 2)
  })
}

/**
 * Tries the loudest modes as pairs, loudest first, and keeps a pair where the whole tail is so much better explained
 * that its four parameters are earned. Glide and pair can mimic each other on one mode, never on all at once: hence
 * the whole tail, and a glide that starts anew.
 */
function splitLoudest(
  samples: Float64Array,
  rateHz: number,
  start: Fit,
  glide: Glide,
  options: { steady: number; glideSd: number; iterations: number },
  rule: PairRule,
) {
  const own = start.modes.slice(0, start.modes.length - options.steady)
  const top = Math.max(...own.map((mode) => mode.amplitude))
  const loud = own
    .filter((mode) => mode.amplitude > LOUD * top)
    .sort((a, b) => b.amplitude - a.amplitude)
    .slice(0, MOST_SPLITS)
  const maybe: Array<{ near: number; hz: number; weight: number }> = []
  let fit = start
  let polished = false
  const polish = () => {
    if (!polished)
      fit = refineModes(samples, rateHz, fit.modes, noiseOf(fit, samples.length), fit.glide, options)
    polished = true
  }
  for (const { hz } of loud) {
    let mode = fit.modes.reduce((a, b) => (Math.abs(b.hz - hz) < Math.abs(a.hz - hz) ? b : a))
    const pair = guessPairs(samples, rateHz, fit, mode, glide.seconds)
    if (!pair) continue
    // The two are only compared when both have arrived.
    polish()
    mode = fit.modes.reduce((a, b) => (Math.abs(b.hz - hz) < Math.abs(a.hz - hz) ? b : a))
    const others = fit.modes.filter((other) => other !== mode)
    const n = samples.length
    const two = refineModes(
      samples,
      rateHz,
      [...pair, ...others],
      noiseOf(fit, n),
      { ...glide, relative: fit.glide.relative },
      { ...options, paired: true },
    )
    const [a, b] = two.modes
    if (!plausiblePair(a, b, rule)) continue
    const gain = n * Math.log(fit.residual / two.residual) - PER_MODE * Math.log(n)
    if (gain > PAIR_EVIDENCE) fit = two
    else {
      const weight = 1 / (1 + Math.exp(-gain / 2))
      maybe.push({
        near: mode.hz,
        hz: (a.hz * a.amplitude + b.hz * b.amplitude) / (a.amplitude + b.amplitude),
        weight,
      })
    }
  }
  polish()
  return { fit, maybe }
}

/** Noise near a pitch: the residual's power there as if it were white, so a busy band is not taken for a quiet one. */
function localNoise(residuals: Float64Array, rateHz: number, hz: number): number {
  const bin = rateHz / residuals.length
  const reach = Math.max(12, 3 * bin)
  let sum = 0
  let count = 0
  for (let f = Math.max(bin, hz - reach); f <= hz + reach; f += bin) {
    sum += powerAt(residuals, rateHz, f) / residuals.length
    count++
  }
  return count ? sum / count : 0
}

function describe(
  fit: Fit,
  maybe: ReadonlyArray<{ near: number; hz: number; weight: number }>,
  samples: Float64Array,
  { rateHz, noisePower }: Tail,
  steady: number,
  fromSeconds: number,
  glideSd: number,
): Analysis {
  const total = samples.reduce((sum, x) => sum + x * x, 0)
  const white = noiseOf(fit, samples.length)
  const own = fit.modes.length - steady
  const loudest = Math.max(...fit.modes.slice(0, own).map((mode) => mode.amplitude))
  const settled = settle(fit, white, glideSd)
  const modes = fit.modes
    .map((mode, index): AnalysedMode => {
      const at = index * PER_MODE
      const noise = Math.max(white, localNoise(fit.residuals, rateHz, mode.hz))
      const doubt = maybe.find(({ near }) => Math.abs(near / mode.hz - 1) < 0.01)
      return {
        index,
        hz: settled.theta[at],
        decaySeconds: 1 / settled.theta[at + 1],
        amplitude: mode.amplitude,
        levelDb: 20 * Math.log10(mode.amplitude / loudest),
        standardErrorHz: settled.errorOf((gradient) => (gradient[at] = 1), noise, mode.hz),
        decayErrorSeconds:
          settled.errorOf((gradient) => (gradient[at + 1] = 1), noise, 0) * mode.decaySeconds ** 2,
        levelErrorDb:
          8.686 *
          settled.errorOf(
            (gradient) => {
              gradient[at + 2] = mode.cosine / mode.amplitude ** 2
              gradient[at + 3] = mode.sine / mode.amplitude ** 2
            },
            noise,
            0,
          ),
        noisePower: noise,
        before: index >= own,
        maybe: doubt ? { hz: doubt.hz, weight: doubt.weight } : null,
      }
    })
    .sort((a, b) => b.levelDb - a.levelDb)
  const misfit = Math.max(0, fit.residual - samples.length * noisePower) / total
  return { modes, fit, settled, noisePower: white, explained: 1 - fit.residual / total, misfit, fromSeconds }
}
