import FFT from 'fft.js'
import { filterAndDecimate, lowPassTaps } from '../numeric/filters'
import { HEAD_DIES_SECONDS, linesBefore, powerOf, type Line } from './before'

/** The stretch of a tap that is measured: after the stick's click, before it sinks into the noise. */
export interface Tail {
  samples: Float64Array
  rateHz: number
  /** Time from the stroke to the first sample of the tail. */
  fromSeconds: number
  /** Variance of the noise in the band, heard before the stroke, without the lines; 0 where nothing was heard. */
  noisePower: number
  /** Steady lines heard before the stroke. */
  lines: Line[]
  /** Time from where the lines were begun to be heard to the first sample of the tail. */
  sinceLinesSeconds: number
  /** Mean power of the tail's first 40 ms over all that was heard before, in dB; Infinity without noise. */
  snrDb: number
}

export interface Band {
  endHz: number
  workingRateHz: number
}

/** Highest pitch that is analysed: lug pitches end near 500 Hz, their next modes tell which one it was. */
export const WIDE_BAND: Band = { endHz: 760, workingRateHz: 2000 }
/** Low drums ring long and fill little of it: fewer samples say as much. */
const NARROWER: readonly Band[] = [
  { endHz: 250, workingRateHz: 700 },
  { endHz: 400, workingRateHz: 1100 },
]
/** A line this far under the loudest, in power, or this little over the floor, needs no room. */
const FAINT_LINE = 3e-3
const LINE_OVER_FLOOR = 40
const ROOM = 1.1
/** The click is over after 10 to 15 ms. */
export const CLICK_SECONDS = 0.022
const LONGEST_SECONDS = 1.6
const SHORTEST_SECONDS = 0.05
const BLOCK_SECONDS = 0.02
/** How loud a tail begins is read from so much of it. */
const EARLY_SECONDS = 0.04
/** Noise is read from this long before the stroke. */
const BEFORE_SECONDS = 0.3
/** The tail ends where its power falls to this multiple of the noise. */
const END_OVER_NOISE = 1.5

const filters = new Map<string, Float64Array>()

function filterFor(rateHz: number, factor: number, band: Band): Float64Array {
  const key = `${rateHz} ${band.endHz}`
  let taps = filters.get(key)
  if (!taps) {
    const stop = Math.min(rateHz / factor - band.endHz, 0.49 * rateHz)
    taps = lowPassTaps(rateHz, band.endHz, stop, 80)
    filters.set(key, taps)
  }
  return taps
}

/** The narrowest band that holds every line of a tail that matters, and `withHz`. */
export function bandFor(tail: Tail, withHz = 0): Band {
  const size = 2 ** Math.ceil(Math.log2(Math.max(64, tail.samples.length)))
  const fft = new FFT(size)
  const input = new Float64Array(size)
  const n = tail.samples.length
  for (let i = 0; i < n; i++)
    input[i] = tail.samples[i] * (0.5 - 0.5 * Math.cos((2 * Math.PI * (i + 0.5)) / n))
  const spectrum = fft.createComplexArray() as number[]
  fft.realTransform(spectrum, input as unknown as number[])
  const power = Float64Array.from(
    { length: size / 2 },
    (_, k) => spectrum[2 * k] ** 2 + spectrum[2 * k + 1] ** 2,
  )
  const sorted = Float64Array.from(power).sort()
  const limit = Math.max(FAINT_LINE * sorted[sorted.length - 1], LINE_OVER_FLOOR * sorted[sorted.length >> 1])
  let top = power.length - 1
  while (top > 0 && power[top] < limit) top--
  const needed = ROOM * Math.max((top * tail.rateHz) / size, withHz)
  return NARROWER.find(({ endHz }) => needed < endHz) ?? WIDE_BAND
}

/**
 * Band-limits and decimates around a stroke and cuts the tail.
 * @param onset sample of the stroke; @param end sample where the next stroke begins, or the end of the samples
 * @returns null when what is left is too short to measure
 */
export function cutTail(
  samples: Float32Array,
  rateHz: number,
  onset: number,
  end: number,
  within: Band = WIDE_BAND,
): Tail | null {
  const factor = Math.max(1, Math.floor(rateHz / within.workingRateHz))
  const rate = rateHz / factor
  const taps = filterFor(rateHz, factor, within)
  const guard = Math.ceil(taps.length / 2)
  const longest = Math.round((LONGEST_SECONDS + CLICK_SECONDS) * rateHz)
  const from = onset + Math.round(CLICK_SECONDS * rateHz)
  const to = Math.min(end - Math.round(0.005 * rateHz), onset + longest)
  if (to - from < SHORTEST_SECONDS * rateHz) return null
  // The filter looks `guard` samples to either side: give it the real neighbours, so the cut adds no edge of its own.
  const first = Math.max(0, from - guard)
  const lead = from - first
  const work = filterAndDecimate(samples.subarray(first, Math.min(samples.length, to + guard)), taps, factor)
  const skip = Math.ceil(lead / factor)
  const band = work.subarray(skip, skip + Math.floor((to - from) / factor))

  const { before, firstSample } = bandBefore(samples, rateHz, onset, taps, factor, guard)
  const early = powerOf(band.subarray(0, Math.round(EARLY_SECONDS * rate)))
  const { lines, noisePower } = linesBefore(before, rate, Math.sqrt(early))
  const length = lengthAboveNoise(band, rate, noisePower)
  const tooShort = length < SHORTEST_SECONDS * rate
  return {
    samples: band.slice(0, length),
    rateHz: rate,
    fromSeconds: tooShort ? 0 : (first + skip * factor - onset) / rateHz,
    noisePower,
    lines,
    sinceLinesSeconds: (first + skip * factor - firstSample) / rateHz,
    snrDb: snr(early, leftOf(before, lines, noisePower, rate)),
  }
}

/** Power heard before that is still there: what dies away has died on until the tail begins. */
function leftOf(before: Float64Array, lines: readonly Line[], noisePower: number, rateHz: number): number {
  if (!lines.some(({ decaySeconds }) => decaySeconds < HEAD_DIES_SECONDS)) return powerOf(before)
  const seconds = before.length / rateHz + CLICK_SECONDS
  return lines.reduce(
    (sum, { amplitude, decaySeconds }) => sum + (amplitude * Math.exp(-seconds / decaySeconds)) ** 2 / 2,
    noisePower,
  )
}

function snr(early: number, heardBefore: number): number {
  if (heardBefore === 0) return early > 0 ? Infinity : -Infinity
  return 10 * Math.log10(Math.max(early - heardBefore, 1e-20) / heardBefore)
}

/** The band as heard before the stroke: hum and other drums ringing along are in it. */
function bandBefore(
  samples: Float32Array,
  rateHz: number,
  onset: number,
  taps: Float64Array,
  factor: number,
  guard: number,
): { before: Float64Array; firstSample: number } {
  const to = onset - guard - Math.round(0.002 * rateHz)
  const from = Math.max(0, to - Math.round(BEFORE_SECONDS * rateHz))
  if (to - from < 0.02 * rateHz) return { before: new Float64Array(0), firstSample: from }
  const band = filterAndDecimate(samples.subarray(Math.max(0, from - guard), to + guard), taps, factor)
  const skip = Math.ceil(Math.min(guard, from) / factor)
  const firstSample = Math.max(0, from - guard) + skip * factor
  return { before: band.slice(skip, band.length - skip), firstSample }
}

/** Samples up to where the power of 20 ms blocks sinks to the noise. */
function lengthAboveNoise(band: Float64Array, rateHz: number, noisePower: number): number {
  const block = Math.round(BLOCK_SECONDS * rateHz)
  // Without a heard noise level, 60 dB under the start is where a 16-bit recording ends.
  const limit = Math.max(END_OVER_NOISE * noisePower, powerOf(band.subarray(0, block)) * 1e-6)
  for (let at = 0; at + block <= band.length; at += block) {
    if (powerOf(band.subarray(at, at + block)) < limit) return at
  }
  return band.length
}
