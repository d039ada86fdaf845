import { median } from '../numeric/median'
import { coupledModes } from '../membrane/coupled'
import { LUG_MODE, tensionFromLugHz } from '../membrane/modes'
import { CENTS_PER_NEPER } from '../units/pitch'
import type { EvenHead, Round } from './types'

/**
 * Why a head's edge mode is heard as two tones: its own unevenness, or the other head answering. They differ in how the
 * levels change from lug to lug, and in what the other head can do.
 */
export type PairCause = 'unevenness' | 'other-head' | 'either'

export interface PairExplained {
  cause: PairCause
  /** Distance of the two tones in cents, over all lugs. */
  apartCents: number
  /** Distance that the other head alone would make, in cents; null where it is not known or was not free. */
  coupledCents: number | null
}

/** Levels of an uneven head's poles swing from lug to lug; those of the other head stay. As log amplitude ratios. */
const SWINGING = 0.9
const STEADY = 0.45
/** The other head explains a pair when it would make one this alike, as a factor. */
const ALIKE = 1.6
/** Its edge mode is loud in this head only when it gets this much of the motion. */
const HEARD_SHARE = 0.15

/** @returns null where no reading of the round shows two tones. */
export function explainPair(head: EvenHead, round: Round): PairExplained | null {
  const pairs = (round.readings ?? []).flatMap(({ lug, modes }) => {
    const [a, b] = [...modes].sort((x, y) => x.hz - y.hz)
    return b ? [{ lug, low: a, high: b, log: (Math.LN10 / 20) * (b.levelDb - a.levelDb) }] : []
  })
  if (pairs.length === 0) return null
  const apart = median(pairs.map(({ low, high }) => CENTS_PER_NEPER * Math.log(high.hz / low.hz)))
  const coupledCents =
    round.otherHead === 'free' ? coupledApart(head, median(pairs.map(({ low }) => low.hz))) : null
  if (coupledCents === null) return { cause: 'unevenness', apartCents: apart, coupledCents }
  const fits = apart < ALIKE * coupledCents && apart > coupledCents / ALIKE
  const swing = swingOver(pairs.map(({ log }) => log))
  const cause: PairCause =
    pairs.length >= 3 && swing > SWINGING
      ? 'unevenness'
      : pairs.length >= 3 && swing < STEADY && fits
        ? 'other-head'
        : fits
          ? 'either'
          : 'unevenness'
  return { cause, apartCents: apart, coupledCents }
}

/** Size of the swing of the level ratio around the head: that of a wave with the same scatter. */
function swingOver(levels: readonly number[]): number {
  const mean = levels.reduce((sum, log) => sum + log, 0) / levels.length
  const rms = Math.sqrt(levels.reduce((sum, log) => sum + (log - mean) ** 2, 0) / levels.length)
  return rms * Math.SQRT2
}

/** Distance of the two coupled edge modes when both heads are free, where both are heard at this head; else null. */
function coupledApart(head: EvenHead, lugHz: number): number | null {
  if (!head.other || !head.depthInches) return null
  const tension = (pliesMils: number[], hz: number) =>
    tensionFromLugHz(
      { diameterInches: head.diameterInches, pliesMils, space: { depthInches: head.depthInches! } },
      hz,
    )
  const modes = coupledModes(
    { diameterInches: head.diameterInches, depthInches: head.depthInches },
    LUG_MODE,
    { pliesMils: head.pliesMils, tension: tension(head.pliesMils, lugHz) },
    { pliesMils: head.other.pliesMils, tension: tension(head.other.pliesMils, head.other.hz) },
  )
  if (Math.min(...modes.map(({ batter }) => batter ** 2)) < HEARD_SHARE) return null
  return CENTS_PER_NEPER * Math.log(modes[1].hz / modes[0].hz)
}
