import { shiftByCents } from '../units/pitch'
import { chooseLugMode, type Candidate } from './choose'
import { analyseTail, GLIDE_FLOOR, type Analysis } from './modes'
import { findOnsets, type Onset } from './onsets'
import { PER_MODE } from './model'
import { cutTail } from './tail'
import type { MeasureOptions, Mode, Tap, Verdict } from './types'

/** Version of the measuring, kept with every reading. */
export const MEASUREMENT_VERSION = 'measure-1'

/** Sentences for a refused tap: what was wrong and what to do. */
const WHY: Record<Exclude<Verdict, 'ok'>, string> = {
  clipped: 'The recording is overdriven. Turn the input down or move the microphone away, and tap again.',
  'too-quiet': 'The tap hardly stands out. Move the microphone closer or tap a little harder.',
  'double-hit': 'Two strokes fell together. Let the stick bounce off once and tap again.',
  noisy: 'The tap rings too short of the noise around it. Wait for quiet, or move the microphone closer.',
  'no-pitch':
    'Nothing rang clearly: a thud, a choked head, or the wires on. Lift the hand, wires off, and tap again.',
  'no-tap': 'Nothing was struck in this recording.',
}

/** Two strokes closer than this spoil each other's tail. */
const DOUBLE_SECONDS = 0.35
/** A second stroke counts as one above this part of the first. */
const DOUBLE_STRENGTH = 0.25
/** Samples at the rail in a row that mean clipping; a lone full-scale sample does not. */
const CLIPPED_RUN = 4
const LOWEST_SNR_DB = 6
const LEAST_EXPLAINED = 0.6
const WORST_ERROR_CENTS = 12

/**
 * Samples to taps. `samples` are mono at full scale +-1, `rateHz` 8,000 to 192,000. Always at least one entry: a
 * stretch in which nothing was struck gives one with the verdict `no-tap`.
 *
 * The pitch reported is the settled one, after the glide (docs/decisions/settled-pitch.md).
 */
export function measureSound(samples: Float32Array, rateHz: number, options: MeasureOptions = {}): Tap[] {
  const onsets = findOnsets(samples, rateHz)
  const taps: Tap[] = []
  for (let i = 0; i < onsets.length; i++) {
    const onset = onsets[i]
    const doubled = doubles(onsets, i, rateHz)
    const end = onsets[i + 1 + doubled]?.sample ?? samples.length
    taps.push(
      doubled > 0 ? refuse(onset, rateHz, 'double-hit') : measureTap(samples, rateHz, onset, end, options),
    )
    i += doubled
  }
  return taps.length ? taps : [{ ...refuse({ sample: 0, strength: 0 }, rateHz, 'no-tap') }]
}

function doubles(onsets: Onset[], i: number, rateHz: number): number {
  let count = 0
  while (
    onsets[i + count + 1] &&
    onsets[i + count + 1].sample - onsets[i + count].sample < DOUBLE_SECONDS * rateHz &&
    onsets[i + count + 1].strength > DOUBLE_STRENGTH * onsets[i].strength
  ) {
    count++
  }
  return count
}

function refuse(onset: Onset, rateHz: number, verdict: Exclude<Verdict, 'ok'>, modes: Mode[] = []): Tap {
  return {
    atSeconds: onset.sample / rateHz,
    verdict,
    why: WHY[verdict],
    hz: null,
    standardErrorHz: null,
    poles: [],
    modes,
    alternatives: [],
  }
}

/** One stroke to a tap. `end` is the sample where the next stroke begins. */
export function measureTap(
  samples: Float32Array,
  rateHz: number,
  onset: Onset,
  end: number,
  options: MeasureOptions,
): Tap {
  if (isClipped(samples, onset.sample, end)) return refuse(onset, rateHz, 'clipped')
  const tail = cutTail(samples, rateHz, onset.sample, end)
  if (!tail) return refuse(onset, rateHz, 'too-quiet')
  if (tail.snrDb < LOWEST_SNR_DB) return refuse(onset, rateHz, 'too-quiet')
  if (tail.fromSeconds === 0) return refuse(onset, rateHz, 'no-pitch')
  const analysis = analyseTail(tail)
  if (!analysis) return refuse(onset, rateHz, 'no-pitch')
  const modes = analysis.modes.map(plain)
  if (analysis.explained < LEAST_EXPLAINED) {
    return refuse(onset, rateHz, tail.snrDb < 2 * LOWEST_SNR_DB ? 'noisy' : 'no-pitch', modes)
  }
  const candidates = chooseLugMode(analysis.modes, options)
  const best = candidates[0]
  if (!best) return refuse(onset, rateHz, 'no-pitch', modes)
  const standardErrorHz = readingError(best, analysis)
  if (standardErrorHz > shiftByCents(best.hz, WORST_ERROR_CENTS) - best.hz) {
    return refuse(onset, rateHz, 'noisy', modes)
  }
  return {
    atSeconds: onset.sample / rateHz,
    verdict: 'ok',
    why: null,
    hz: best.hz,
    standardErrorHz,
    poles: best.poles.map(plain),
    modes,
    alternatives: candidates
      .slice(1)
      .filter((other) => other.odds > 0.005)
      .map(({ hz, odds }) => ({ hz, odds })),
  }
}

function plain({ hz, decaySeconds, levelDb, standardErrorHz }: Mode): Mode {
  return { hz, decaySeconds, levelDb, standardErrorHz }
}

function isClipped(samples: Float32Array, from: number, to: number): boolean {
  let top = 0
  for (let i = from; i < to; i++) top = Math.max(top, Math.abs(samples[i]))
  if (top < 0.3) return false
  let run = 0
  for (let i = from; i < to; i++) {
    run = Math.abs(samples[i]) > 0.9995 * top ? run + 1 : 0
    if (run >= CLIPPED_RUN) return true
  }
  return false
}

/**
 * Error of the amplitude-weighted mean of the poles, by the fit's whole covariance: two close poles have badly known
 * pitches and levels of their own while their mean is well known.
 */
function readingError(candidate: Candidate<Analysis['modes'][number]>, analysis: Analysis): number {
  const { fit } = analysis
  const floor = Math.min(...candidate.poles.map((pole) => pole.standardErrorHz))
  if (candidate.poles.length === 1 || !fit.covariance) return floor
  const n = fit.parameters
  const gradient = new Float64Array(n)
  const total = candidate.poles.reduce((sum, pole) => sum + pole.amplitude, 0)
  for (const pole of candidate.poles) {
    const mode = fit.modes[pole.index]
    const at = pole.index * PER_MODE
    gradient[at] = pole.amplitude / total
    const byAmplitude = (pole.hz - candidate.hz) / total
    gradient[at + 2] = (byAmplitude * mode.cosine) / pole.amplitude
    gradient[at + 3] = (byAmplitude * mode.sine) / pole.amplitude
  }
  let variance = 0
  for (let i = 0; i < n; i++) {
    if (gradient[i] === 0) continue
    for (let j = 0; j < n; j++) variance += gradient[i] * fit.covariance[i * n + j] * gradient[j]
  }
  // Per pole the stated error already holds the noise near that pitch; scale the pair's by the same factor.
  const pole = candidate.poles[0]
  const own = fit.covariance[pole.index * PER_MODE * (n + 1)]
  const noise = own > 0 ? pole.standardErrorHz ** 2 / own : analysis.noisePower
  const floorHz = GLIDE_FLOOR * candidate.hz
  return Math.hypot(Math.sqrt(Math.max(0, variance * Math.min(noise, 4 * analysis.noisePower))), floorHz)
}
