import { harmonicsOf, patternOverLugs, type Harmonics } from '../head/harmonics'
import type { HeadState } from '../head/estimate'
import { COSINE, MEAN, SINE } from '../head/kalman'
import { lugCents } from '../head/lugPicture'
import { CENTS_PER_NEPER } from '../units/pitch'
import type { TargetPattern } from './cost'

/** Lugs (from 1) of a snare side beside its bed, and how much lower they may read by what was said of it, in cents. */
export interface SnareBed {
  lugs: number[]
  cents: number
}

/** On a cranked head the bed may lie as much as a whole tone lower (common practice, no source). */
const DEEPEST_CENTS = 200

const mean = (some: readonly number[]) => some.reduce((sum, value) => sum + value, 0) / some.length

/** How much lower the bed's lugs lie than the others, never higher; as was said where either were not read. */
export function bedDepth(bed: SnareBed, cents: ReadonlyMap<number, number>): number {
  const of = (beside: boolean) =>
    [...cents].flatMap(([lug, value]) => (bed.lugs.includes(lug + 1) === beside ? [value] : []))
  const [low, rest] = [of(true), of(false)]
  const depth = low.length && rest.length ? mean(rest) - mean(low) : bed.cents
  return Math.min(DEEPEST_CENTS, Math.max(0, depth))
}

/** Squared pitches of a head that is even but for its bed, so many cents deep, around a mean square. */
export function bedProfile(
  { lugs: beside }: SnareBed,
  depthCents: number,
  meanHz2: number,
  lugs: number,
): number[] {
  const raw = Array.from({ length: lugs }, (_, i) => (beside.includes(i + 1) ? 2 ** (-depthCents / 600) : 1))
  return raw.map((part) => (part * meanHz2) / mean(raw))
}

/** Low along the bed's axis, as deep as a pattern of two poles is there and no higher; what lies across it is not wanted. */
function alongBed(
  { lugs: beside }: SnareBed,
  { mean: around, cosine, sine }: Harmonics,
  lugs: number,
): Harmonics {
  const axis = harmonicsOf(bedProfile({ lugs: beside, cents: 0 }, 1, 1, lugs))
  const size = Math.hypot(axis.cosine, axis.sine) || 1
  const [x, y] = [axis.cosine / size, axis.sine / size]
  const low = Math.min((DEEPEST_CENTS * around) / CENTS_PER_NEPER, Math.max(0, cosine * x + sine * y))
  return { mean: around, cosine: low * x, sine: low * y }
}

/**
 * The bed under an even target: its lugs are wanted as much lower as they stand. Lug by lug that is their own mean; two poles can only show
 * a wave along the bed's axis, which is left as it is where it is low at the bed. So bed lugs are never raised to match the others, nor
 * loosened to fit what was said of them.
 */
export function withBed(
  target: TargetPattern,
  bed: SnareBed,
  { belief, byLug, lugs, read }: HeadState,
): TargetPattern {
  const own = byLug && lugCents(byLug.picture)
  const known = new Map(own ? read.map((lug) => [lug, own[lug].cents]) : [])
  const profile = bedProfile(bed, bedDepth(bed, known), target.mean, lugs)
  const [mean, cosine, sine] = [MEAN, COSINE, SINE].map((at) => belief.x[at])
  const wave = read.length ? alongBed(bed, { mean, cosine, sine }, lugs) : harmonicsOf(profile)
  const times = target.mean / wave.mean
  return { mean: target.mean, cosine: times * wave.cosine, sine: times * wave.sine, profile, bed }
}

/** What lug pitches in Hz would be, squared, were they even but for the bed that they show themselves. */
export function onOwnBed(bed: SnareBed, lugHz: readonly number[], alone: boolean): number[] {
  const lugs = lugHz.length
  const squared = lugHz.map((hz) => hz * hz)
  if (!alone) return patternOverLugs(alongBed(bed, harmonicsOf(squared), lugs), lugs)
  const cents = new Map(lugHz.map((hz, lug) => [lug, CENTS_PER_NEPER * Math.log(hz)]))
  return bedProfile(bed, bedDepth(bed, cents), mean(squared), lugs)
}
