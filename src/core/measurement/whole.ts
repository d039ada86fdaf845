import { centsBetween } from '../units/pitch'
import { refineModes } from './refine'
import type { Tail } from './tail'
import type { Mode } from './types'

/** How the whole drum rings after a stroke on its centre. */
export interface Ring {
  /** Seconds from the stroke until the sound stays 20 and 60 dB under its loudest; null where noise hides it. */
  to20dB: number | null
  to60dB: number | null
}

const WINDOW_SECONDS = 0.02
const HOP_SECONDS = 0.005
const BEFORE_SECONDS = 0.25
/** A level counts as reached where it lies at least this far above the noise. */
const ABOVE_NOISE = 2
/** The early pitch is that of this first part of the tail, or of so many cycles. */
const EARLY_SECONDS = 0.08
const EARLY_CYCLES = 5

/** Time to fall by 20 and by 60 dB, from the rms of 20 ms windows. */
export function ringOf(samples: Float32Array, rateHz: number, onset: number, end: number): Ring {
  const window = Math.round(WINDOW_SECONDS * rateHz)
  const hop = Math.round(HOP_SECONDS * rateHz)
  const power = (from: number) => {
    let sum = 0
    const last = Math.min(samples.length, from + window)
    for (let i = Math.max(0, from); i < last; i++) sum += samples[i] ** 2
    return last > from ? sum / (last - Math.max(0, from)) : 0
  }
  let noise = 0
  let count = 0
  for (
    let at = Math.max(0, onset - Math.round(BEFORE_SECONDS * rateHz));
    at + window < onset - hop;
    at += hop
  ) {
    noise += power(at)
    count++
  }
  noise = count ? noise / count : 0
  const levels: number[] = []
  for (let at = onset; at + window <= end; at += hop) levels.push(power(at))
  const top = Math.max(0, ...levels.slice(0, 12))
  const until = (down: number): number | null => {
    const level = top * down
    if (top === 0 || level < ABOVE_NOISE * noise) return null
    const last = levels.findLastIndex((value) => value > level)
    return last < 0 || last >= levels.length - 2 ? null : ((last + 1) * hop) / rateHz
  }
  return { to20dB: until(1e-2), to60dB: until(1e-6) }
}

/**
 * Cents by which the pitch lay above the settled one (or below, negative) over the first 80 ms after the click, or five
 * cycles of a low drum.
 */
export function glideOf(tail: Tail, modes: readonly Mode[], settledHz: number): number | null {
  const seconds = Math.max(EARLY_SECONDS, EARLY_CYCLES / settledHz)
  const early = tail.samples.subarray(0, Math.round(seconds * tail.rateHz))
  const near = modes.filter((mode) => mode.hz < 0.45 * tail.rateHz).slice(0, 4)
  if (early.length < 8 * near.length || near.length === 0) return null
  const fit = refineModes(early, tail.rateHz, near, tail.noisePower, null)
  const loud = fit.modes
    .map((mode) => ({ mode, cents: centsBetween(settledHz, mode.hz) }))
    .filter(({ cents }) => Math.abs(cents) < 350)
    .sort((a, b) => b.mode.amplitude - a.mode.amplitude)[0]
  return loud ? loud.cents : null
}
