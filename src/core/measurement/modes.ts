import { guessPairs, plausiblePair } from './pair'
import { PER_MODE } from './model'
import { fitAmplitudes, refineModes, type Fit, type FittedMode, type Glide } from './refine'
import { subspacePoles, type Pole } from './subspace'
import type { Tail } from './tail'
import type { Mode } from './types'

/** Modes of a tail: subspace estimate, refinement with the glide, and the question whether a mode is really a pair. */
export interface Analysis {
  /** Loudest first; `index` is the mode's place in the fit. */
  modes: Array<Mode & { index: number; amplitude: number }>
  fit: Fit
  /** Noise variance a sample that the standard errors rest on. */
  noisePower: number
  /** Part of the tail's energy that the modes explain, 0 to 1. */
  explained: number
}

const LOWEST_HZ = 28
/** After three decays and a bit a tail holds nothing more of its pitch: its weight falls as t^2 e^(-2t). */
const DECAYS_USED = 3.3
/** Modes this loud against the loudest are asked whether they are pairs, and how many of them. */
const LOUD = 0.25
const MOST_SPLITS = 3
/** Difference of the Bayesian information criterion (Schwarz 1978) that a pair must gain over one pole. */
const PAIR_EVIDENCE = 20
const SHORTEST_DECAY_SECONDS = 0.015
const LONGEST_DECAY_SECONDS = 6
/** A mode weaker than this against the loudest tells nothing and costs the fit its condition. */
const WEAKEST = 0.015
const MOST_MODES = 8
/** A mode must stand this many of its own errors above nothing. */
const SIGNIFICANCE = 4
/** The subspace wants steady pitches: it is given the tail without its first 50 ms, where the glide is steepest. */
const STEADY_AFTER_SECONDS = 0.05
/** Poles of the subspace closer than this are one mode bent by the glide, or a pair: both are settled later. */
const SAME_MODE_CENTS_RATIO = 1.03
/** What is left of the glide after its model, that no residual shows, relative: half a cent. */
export const GLIDE_FLOOR = 0.5 / 1731.2
/** A mode this close to a louder one is its double: whether it is a pair is asked apart. */
const DOUBLE_HZ = 2.5

/** @returns null when the tail holds nothing that rings. */
export function analyseTail(tail: Tail): Analysis | null {
  const { rateHz, noisePower } = tail
  const poles = firstPoles(tail.samples, rateHz, noisePower)
  if (poles.length === 0) return null
  // The loudest come first. A beating pair looks short-lived to the subspace, so the longest of the loudest counts.
  const decay = Math.max(...poles.slice(0, 3).map((pole) => pole.decaySeconds))
  const samples = tail.samples.subarray(0, Math.ceil(DECAYS_USED * decay * rateHz))
  // The tension that a stroke adds goes with the square of the amplitude: half the decay of the loudest mode.
  const glide = { relative: 0, seconds: Math.min(0.3, Math.max(0.02, decay / 2)) }
  let fit = refineModes(samples, rateHz, poles, noisePower, glide)
  const kept = significant(fit, samples.length)
  if (kept.length === 0) return null
  if (kept.length < fit.modes.length)
    fit = refineModes(samples, rateHz, kept, noiseOf(fit, samples.length), glide)
  fit = splitLoudest(samples, rateHz, fit, glide)
  return describe(fit, samples, rateHz)
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
    const near = (other: Pole) => Math.max(other.hz / pole.hz, pole.hz / other.hz) < SAME_MODE_CENTS_RATIO
    if (!chosen.some(near)) chosen.push(pole)
  }
  return chosen
}

function noiseOf(fit: Fit, count: number): number {
  return fit.residual / Math.max(1, count - fit.parameters)
}

function significant(fit: Fit, count: number): FittedMode[] {
  const sigma2 = noiseOf(fit, count)
  const top = Math.max(...fit.modes.map((mode) => mode.amplitude))
  return fit.modes.filter((mode, k) => {
    const louder = fit.modes.some(
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
function splitLoudest(samples: Float64Array, rateHz: number, start: Fit, glide: Glide): Fit {
  const top = Math.max(...start.modes.map((mode) => mode.amplitude))
  const loud = start.modes
    .filter((mode) => mode.amplitude > LOUD * top)
    .sort((a, b) => b.amplitude - a.amplitude)
    .slice(0, MOST_SPLITS)
  let fit = start
  for (const { hz } of loud) {
    const mode = fit.modes.reduce((a, b) => (Math.abs(b.hz - hz) < Math.abs(a.hz - hz) ? b : a))
    const others = fit.modes.filter((other) => other !== mode)
    const n = samples.length
    let candidate: Fit | null = null
    for (const pair of guessPairs(samples, rateHz, fit, mode, glide.seconds)) {
      const two = refineModes(samples, rateHz, [...others, ...pair], noiseOf(fit, n), glide)
      if (!plausiblePair(two.modes.at(-2)!, two.modes.at(-1)!)) continue
      if (!candidate || two.residual < candidate.residual) candidate = two
    }
    if (!candidate) continue
    const gain = n * Math.log(fit.residual / candidate.residual) - PER_MODE * Math.log(n)
    if (gain > PAIR_EVIDENCE) fit = candidate
  }
  return fit
}

/** Noise near a pitch: the residual's power there as if it were white, so a busy band is not taken for a quiet one. */
function localNoise(residuals: Float64Array, rateHz: number, hz: number): number {
  const bin = rateHz / residuals.length
  const reach = Math.max(12, 3 * bin)
  let sum = 0
  let count = 0
  for (let f = Math.max(bin, hz - reach); f <= hz + reach; f += bin) {
    const step = (2 * Math.PI * f) / rateHz
    let re = 0
    let im = 0
    for (let i = 0; i < residuals.length; i++) {
      re += residuals[i] * Math.cos(step * i)
      im += residuals[i] * Math.sin(step * i)
    }
    sum += (re * re + im * im) / residuals.length
    count++
  }
  return count ? sum / count : 0
}

function describe(fit: Fit, samples: Float64Array, rateHz: number): Analysis {
  const total = samples.reduce((sum, x) => sum + x * x, 0)
  const white = noiseOf(fit, samples.length)
  const loudest = Math.max(...fit.modes.map((mode) => mode.amplitude))
  const n = fit.parameters
  const modes = fit.modes
    .map((mode, index) => {
      const at = index * PER_MODE
      const noise = Math.max(white, localNoise(fit.residuals, rateHz, mode.hz))
      const variance = fit.covariance ? fit.covariance[at * n + at] * noise : (mode.hz * 0.01) ** 2
      return {
        index,
        hz: mode.hz,
        decaySeconds: mode.decaySeconds,
        amplitude: mode.amplitude,
        levelDb: 20 * Math.log10(mode.amplitude / loudest),
        standardErrorHz: Math.hypot(Math.sqrt(variance), GLIDE_FLOOR * mode.hz),
      }
    })
    .sort((a, b) => b.levelDb - a.levelDb)
  return { modes, fit, noisePower: white, explained: 1 - fit.residual / total }
}
