import { filterAndDecimate, lowPassTaps } from '../numeric/filters'

/** Finding the strokes in a stretch of sound. */

export interface Onset {
  /** First sample of the stroke. */
  sample: number
  /** Height of the stroke in its envelope, relative to the loudest stroke of the stretch (0 to 1]. */
  strength: number
}

/** The envelope is an rms of the first difference over 4 ms, read every 2 ms: a stick's click is mostly treble. */
const HOP_SECONDS = 0.002
const WINDOW_HOPS = 2
/** A stroke rises at least this many times within three hops above what was there up to so many hops before: beating modes do not. */
const RISE = 3
const BEFORE_TO = 9
/** ... and stands this far above the quiet parts. */
const ABOVE_FLOOR = 5
/** Rises closer together than this are one stroke: the stick's own bounce of a light tap takes longer. */
const MERGE_SECONDS = 0.025

/**
 * In treble noise the click drowns while the drum itself stands clear: two more envelopes look below 700 Hz, and below
 * 250 Hz for the low drums, where nothing but a stroke makes the power jump within 20 ms and stay.
 */
interface Body {
  bandHz: number
  rateHz: number
  windowHops: number
  /** Of the first difference, which levels the bass, or of the band itself. */
  difference: boolean
}
const BODIES: readonly Body[] = [
  { bandHz: 700, rateHz: 2000, windowHops: 3, difference: true },
  { bandHz: 250, rateHz: 1000, windowHops: 4, difference: false },
]
const BODY_HOP_SECONDS = 0.005
const BODY_RISE = 2.2
/** Hops looked back: modes that beat against each other come back within this time. */
const BODY_BEFORE = 20
const BODY_ABOVE_FLOOR = 2.5
/** A stroke seen in both envelopes is one. */
const SAME_SECONDS = 0.045

/** rms of the first difference in windows of 4 ms, one value every 2 ms. */
function edgeEnvelope(samples: ArrayLike<number>, rateHz: number): Float64Array {
  return envelopeOf(samples, Math.max(1, Math.round(HOP_SECONDS * rateHz)), WINDOW_HOPS, true)
}

function envelopeOf(
  samples: ArrayLike<number>,
  hop: number,
  windowHops: number,
  difference: boolean,
): Float64Array {
  const count = Math.max(0, Math.floor(samples.length / hop) - windowHops + 1)
  const hops = new Float64Array(count + windowHops)
  for (let k = 0; k < hops.length; k++) {
    const last = Math.min(samples.length, (k + 1) * hop)
    let sum = 0
    for (let i = Math.max(1, k * hop); i < last; i++)
      sum += (samples[i] - (difference ? samples[i - 1] : 0)) ** 2
    hops[k] = sum
  }
  return Float64Array.from({ length: count }, (_, k) => {
    let sum = 0
    for (let j = 0; j < windowHops; j++) sum += hops[k + j]
    return Math.sqrt(sum / (windowHops * hop))
  })
}

function quantile(values: ArrayLike<number>, q: number): number {
  const sorted = Float64Array.from(values).sort()
  return sorted.length ? sorted[Math.floor(q * (sorted.length - 1))] : 0
}

/**
 * The strokes in `samples`, in time order.
 * @param strongest only strokes at least this fraction of the strongest are given (default 0.02, -34 dB)
 */
export function findOnsets(samples: ArrayLike<number>, rateHz: number, strongest = 0.02): Onset[] {
  const onsets = clickOnsets(samples, rateHz, strongest)
  for (const body of BODIES) {
    const seen = [...onsets]
    onsets.push(
      ...bodyOnsets(samples, rateHz, body).filter(
        ({ sample }) => !seen.some((other) => Math.abs(other.sample - sample) < SAME_SECONDS * rateHz),
      ),
    )
  }
  return onsets.sort((a, b) => a.sample - b.sample)
}

function clickOnsets(samples: ArrayLike<number>, rateHz: number, strongest: number): Onset[] {
  const envelope = edgeEnvelope(samples, rateHz)
  if (envelope.length < 8) return []
  const hop = Math.max(1, Math.round(HOP_SECONDS * rateHz))
  const floor = quantile(envelope, 0.2)
  let top = 0
  for (const value of envelope) top = Math.max(top, value)
  const onsets: Onset[] = []
  for (let k = 1; k < envelope.length; k++) {
    let before = 0
    for (let j = k - BEFORE_TO; j <= k - 3; j++) before = Math.max(before, envelope[Math.max(0, j)])
    const value = envelope[k]
    if (value <= RISE * before || value <= ABOVE_FLOOR * floor || value <= strongest * top) continue
    const sample = Math.max(0, (k - 1) * hop)
    const last = onsets.at(-1)
    if (last && sample - last.sample < MERGE_SECONDS * rateHz) continue
    let peak = value
    for (let j = k; j < Math.min(envelope.length, k + 8); j++) peak = Math.max(peak, envelope[j])
    const strength = peak / top
    onsets.push({ sample: sharpen(samples, sample, hop), strength })
  }
  return onsets.filter((onset) => onset.strength >= strongest)
}

/** A recording that is cut at the stroke has nothing before it: it begins loud and dies away by this much, in rms. */
const DIES_AWAY = 3
const BEGINS_SECONDS = 0.05
const LOOKED_SECONDS = 1.5
const QUIET_SECONDS = 0.03

/**
 * The stroke that a sound begins with, if it does, as samples and cropped clips do: no rise is to be seen, so what tells is that the
 * first moments are the loudest and what follows sinks. Steady noise, and what swells, has none: null.
 * @param end sample of the next stroke, or the end of the sound
 */
export function beginsStruck(samples: ArrayLike<number>, rateHz: number, end: number): Onset | null {
  const step = Math.max(1, Math.round(QUIET_SECONDS * rateHz))
  const last = Math.min(end, Math.round(LOOKED_SECONDS * rateHz))
  let first = 0
  let loudest = 0
  let quietest = Infinity
  for (let at = 0; at + step <= last; at += step) {
    let sum = 0
    for (let i = at; i < at + step; i++) sum += samples[i] ** 2
    const rms = Math.sqrt(sum / step)
    if (at < BEGINS_SECONDS * rateHz) first = Math.max(first, rms)
    else {
      loudest = Math.max(loudest, rms)
      quietest = Math.min(quietest, rms)
    }
  }
  const struck = first > DIES_AWAY * quietest && first > LOUDEST_AT_ONCE * loudest
  const hop = Math.max(1, Math.round(HOP_SECONDS * rateHz))
  return struck ? { sample: sharpen(samples, 0, hop), strength: 1 } : null
}

/** Two tones that begin upside down to each other swell as they beat: the first moments may be this part of the loudest. */
const LOUDEST_AT_ONCE = 0.6

/** Moves an onset to the first sample that reaches a fifth of the steepest edge within the next 8 ms. */
function sharpen(samples: ArrayLike<number>, from: number, hop: number): number {
  const end = Math.min(samples.length, from + 4 * hop)
  let steepest = 0
  for (let i = from + 1; i < end; i++) steepest = Math.max(steepest, Math.abs(samples[i] - samples[i - 1]))
  for (let i = from + 1; i < end; i++) {
    if (Math.abs(samples[i] - samples[i - 1]) > 0.2 * steepest) return i
  }
  return from
}

/** Jumps of the power in a low band, placed to some 5 ms. */
function bodyOnsets(samples: ArrayLike<number>, rateHz: number, body: Body): Onset[] {
  const factor = Math.max(1, Math.floor(rateHz / body.rateHz))
  const rate = rateHz / factor
  const stop = Math.min(rate - body.bandHz, 0.49 * rateHz)
  const band = filterAndDecimate(samples, lowPassTaps(rateHz, body.bandHz, stop, 40), factor)
  const hop = Math.round(BODY_HOP_SECONDS * rate)
  const envelope = envelopeOf(band, hop, body.windowHops, body.difference)
  if (envelope.length < 12) return []
  const floor = quantile(envelope, 0.2)
  let top = 0
  for (const value of envelope) top = Math.max(top, value)
  const onsets: Onset[] = []
  for (let k = BODY_BEFORE; k + 3 < envelope.length; k++) {
    let before = 0
    for (let j = k - BODY_BEFORE; j <= k - 3; j++) before = Math.max(before, envelope[j])
    const value = envelope[k]
    // It must stay up for a while: a lone crackle does not.
    if (value <= BODY_RISE * before || envelope[k + 3] <= BODY_RISE * before) continue
    if (value <= BODY_ABOVE_FLOOR * floor) continue
    const sample = (k + 1) * hop * factor
    const last = onsets.at(-1)
    if (last && sample - last.sample < 4 * MERGE_SECONDS * rateHz) continue
    onsets.push({ sample, strength: value / top })
  }
  return onsets
}
