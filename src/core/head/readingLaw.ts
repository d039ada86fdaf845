import { wavesOver } from './harmonics'
import type { LugReading } from './readings'

/**
 * What a reading of a lug says of the head's two edge frequencies: its density, if mean and second harmonic of the squared
 * pitch are so. A tap at lug angle t shows the poles with the shares cos^2 and sin^2 of t - a, a the axis (first-order
 * perturbation of the degenerate (1,1) pair; docs/decisions/head-estimate.md).
 */

/** How a source makes one number of the two poles: it keeps to one way, which is not known. */
export type Reader = 'mean' | 'peak' | 'standing'

/** Part of readings that are of another mode or plain wrong, spread over so many nepers of pitch (1,600 cents). */
export const SLIP_PART = 0.03
const SLIP_NEPERS = 0.92
/** The same for a reading that was taken again and came out alike: it is what it is. */
export const SLIP_CONFIRMED = 1e-4
/** Part of good readings that are off by so many times their stated error: a finger off the middle, a stroke off the lug. */
export const ROUGH_PART = 0.1
export const ROUGH_TIMES = 4
/** Poles this part of a pole's width (f/Q) apart begin to be heard as the louder one; the power says how soon it is so. */
const PARTING_WIDTHS = 0.35
const PARTING_POWER = 3
/** f over a pole's width (common practice, no source: 60 to 150 for toms and snares). */
const QUALITY = 80
/** However far the poles are apart, lugs between them may show either. */
const SHARPEST = 40
/** What is not known of the width, as a part of the sharpness. */
const SHARPNESS_DOUBT = 0.8
/** A stroke a little beside the lug, an axis that is not quite straight: the share is off by this. */
const SHARE_ERROR = 0.05
/** A level is off by this much in dB: no two strokes are alike, and the finger is never quite in the middle. */
const LEVEL_DB = 2.5
const LEVEL_PART = 0.12
/** Poles nearer than this, in Hz, are heard as one, their weighted mean; about this sharply. */
const PARTED_HZ = 0.4
const PARTED_SPREAD_HZ = 0.15
/** Ring of the lug mode for its width, 1 / (pi decay): 0.21 s at 234 Hz, longer below (common practice, no source). */
const LUG_DECAY_SECONDS = 0.21
const LUG_DECAY_HZ = 234
export const LUG_DECAY_POWER = 0.7
/** Part of the pairs within so many widths that the ear does not part: their mean is heard as one pole. */
const MISSED = 0.25
const MISSED_WITHIN = 1.5
/** A pole weaker than this part of the amplitude goes unheard; between, one of the two does now and then. */
const FAINT = 0.09
const FAINT_SPREAD = 0.05
const ONE_HEARD = 0.15
const LOUDER = 0.08
/** A hoop of uneven stiffness, a stroke off the lug: now and then the weaker of two parted poles is what is heard. */
const ODD_POLE = 0.03
/** A louder pole is pulled by the weaker one by this part of their distance. */
const POLE_PULLED = 0.03
/** A microphone that stands still may hear either pole at any lug. */
const STANDING_EITHER = 0.4

const TINY = 1e-9
const ROOT_TWO_PI = Math.sqrt(2 * Math.PI)
const NEPERS_PER_DB = Math.LN10 / 20
const FIGURES_A_PART = 3

/** The two poles, as logarithms of Hz, and the axis' share of the high one at a lug. */
interface Poles {
  low: number
  apart: number
  cosine: number
  sine: number
}

/** One way in which a reading can come about: residuals in standard errors, and the log of weight over errors. */
export interface Part {
  residuals: number[]
  log: number
}

/** Least part of the mean that the low pole keeps: a head is never wholly slack on one side. */
const LEAST_LOW = 0.02

export function polesOf(x: ArrayLike<number>): Poles {
  const size = Math.hypot(x[1], x[2]) + TINY
  const mean = Math.max(100, x[0])
  const low = 0.5 * Math.log(Math.max(LEAST_LOW * mean, mean - size))
  const high = 0.5 * Math.log(mean + size)
  return { low, apart: high - low, cosine: x[1] / size, sine: x[2] / size }
}

/** The high pole's share at a lug. */
export function shareAt({ cosine, sine }: Poles, lug: number, lugs: number): number {
  const wave = wavesOver(lugs)
  return Math.min(1, Math.max(0, 0.5 * (1 + wave.cosine[lug] * cosine + wave.sine[lug] * sine)))
}

/**
 * Where between the poles a bare number lies, as a part of their distance: the share itself while they are closer than a
 * pole's width, the louder pole once they are further apart, with every shade between.
 * @param apartNepers distance of the poles as a logarithm
 * @returns the part, its own error, and how sharply the louder one is preferred: 1 for not at all
 */
export function heardBetween(share: number, apartNepers: number, reader: 'mean' | 'peak') {
  const n =
    reader === 'mean'
      ? 1
      : Math.min(SHARPEST, 1 + ((apartNepers * QUALITY) / PARTING_WIDTHS) ** PARTING_POWER)
  const log = Math.log((share + 1e-3) / (1 - share + 1e-3))
  const part = 1 / (1 + Math.exp(-n * log))
  const slope = part * (1 - part)
  const place = (n * SHARE_ERROR) / (share * (1 - share) + SHARE_ERROR)
  const width = SHARPNESS_DOUBT * (n - 1) * log
  return { part, sharpness: n, error: Math.min(0.5, slope * Math.hypot(place, width)) }
}

/** Pitch in Hz that a bare number at a lug would show, for a state of the head. */
export function bareHz(x: ArrayLike<number>, lug: number, lugs: number, reader: 'mean' | 'peak'): number {
  const poles = polesOf(x)
  const { part } = heardBetween(shareAt(poles, lug, lugs), poles.apart, reader)
  return Math.exp(poles.low + part * poles.apart)
}

/** The ways in which a reading can come about, other than by a slip. */
export function partsOf(
  reading: LugReading,
  poles: Poles,
  lugs: number,
  reader: Reader,
  soft: number,
): Part[] {
  const share = shareAt(poles, reading.lug, lugs)
  const { low, apart } = poles
  const high = low + apart
  const error = Math.hypot(reading.errorHz / reading.hz, soft)
  if (reading.poles) return [bothPoles(reading.poles, low, high, share, error)]
  const at = Math.log(reading.hz)
  const part = (weight: number, of: number, ownError: number): Part => {
    const sd = Math.hypot(error, ownError)
    return { residuals: [(at - of) / sd], log: Math.log((weight + 1e-12) / (sd * ROOT_TWO_PI)) }
  }
  const centre = low + share * apart
  if (reader === 'standing')
    return [
      part(STANDING_EITHER, high, 0),
      part(STANDING_EITHER, low, 0),
      part(1 - 2 * STANDING_EITHER, (low + high) / 2, apart / 4),
    ]
  if (!reading.alone) {
    const heard = heardBetween(share, apart, reader)
    const blended = low + heard.part * apart
    const parted = 1 - 1 / heard.sharpness ** 2
    if (reader === 'mean') return [part(1, blended, heard.error * apart)]
    const highLouder = ODD_POLE + (1 - 2 * ODD_POLE) * sigmoid((share - 0.5) / LOUDER)
    const beside = POLE_PULLED * apart
    return [
      part(1 - parted, blended, heard.error * apart),
      part(parted * highLouder, high, beside),
      part(parted * (1 - highLouder), low, beside),
    ]
  }
  const hz = Math.exp(high)
  const split = hz * (1 - Math.exp(-apart))
  const width = 1 / (Math.PI * LUG_DECAY_SECONDS * (LUG_DECAY_HZ / hz) ** LUG_DECAY_POWER)
  const together = Math.max(
    sigmoid((PARTED_HZ - split) / PARTED_SPREAD_HZ),
    MISSED * sigmoid((MISSED_WITHIN * width - split) / (FAINT_SPREAD * 6 * width)),
  )
  const highHeard =
    sigmoid((share - (1 - FAINT)) / FAINT_SPREAD) + ONE_HEARD * sigmoid((share - 0.5) / LOUDER)
  const lowHeard = sigmoid((FAINT - share) / FAINT_SPREAD) + ONE_HEARD * sigmoid((0.5 - share) / LOUDER)
  return [
    part(together, centre, SHARE_ERROR * apart),
    part((1 - together) * highHeard, high, 0),
    part((1 - together) * lowHeard, low, 0),
  ]
}

function bothPoles(
  [a, b]: NonNullable<LugReading['poles']>,
  low: number,
  high: number,
  share: number,
  error: number,
): Part {
  const ratioDb = Math.log((share + 1e-4) / (1 - share + 1e-4)) / NEPERS_PER_DB
  const levelError = LEVEL_DB + LEVEL_PART * Math.abs(ratioDb)
  return {
    residuals: [
      (Math.log(a.hz) - low) / error,
      (Math.log(b.hz) - high) / error,
      (b.levelDb - a.levelDb - ratioDb) / levelError,
    ],
    log: -2 * Math.log(error * ROOT_TWO_PI),
  }
}

/** Density of a reading by its parts: total, and of it what a slip would make. Per neper, or its square with two poles. */
export function densityOf(reading: LugReading, parts: readonly Part[]): { total: number; slip: number } {
  const slipPart = reading.confirmed ? SLIP_CONFIRMED : SLIP_PART
  let own = 0
  for (const { residuals, log } of parts) own += Math.exp(log) * roughNormal(residuals)
  const slip = slipPart / (reading.poles ? SLIP_NEPERS ** 2 : SLIP_NEPERS)
  return { total: (1 - slipPart) * own + slip + 1e-300, slip }
}

/** Normal law with a wider one under it, so that a reading a little off its stated error is no slip. */
function roughNormal(residuals: readonly number[]): number {
  const { near, wide } = nearAndWide(residuals)
  return near + wide
}

function nearAndWide(residuals: readonly number[]) {
  let square = 0
  for (const z of residuals) square += z * z
  const wider = residuals.length === FIGURES_A_PART ? ROUGH_TIMES ** 2 : ROUGH_TIMES
  return {
    near: (1 - ROUGH_PART) * Math.exp(-0.5 * square),
    wide: (ROUGH_PART / wider) * Math.exp((-0.5 * square) / ROUGH_TIMES ** 2),
  }
}

/** What residuals are worth against those of a reading within its stated error: less the further off it is. */
export function worthOf(residuals: readonly number[]): number {
  const { near, wide } = nearAndWide(residuals)
  return (near + wide / ROUGH_TIMES ** 2) / (near + wide + 1e-300)
}

const sigmoid = (x: number) => 1 / (1 + Math.exp(-Math.max(-40, Math.min(40, x))))
