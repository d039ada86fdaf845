import { HAND_ERROR_TURNS } from '../head/hand'
import { secondAnswerPrior, turnLawPrior } from '../membrane/turnLaw'
import type { DrumKind } from '../kit/kinds'
import { CENTS_PER_NEPER } from '../units/pitch'
import type { EvenHead } from '../head/types'

/** Spread and distance from the target that are good enough, in cents, by kind (common practice, no source). */
const GOOD_ENOUGH_CENTS: Record<DrumKind, number> = { snare: 6, tom: 8, 'floor-tom': 15, kick: 20 }

/** The kind a head most likely belongs to, where only its size and pitch are given. */
export function likelyKind(diameterInches: number, hz: number): DrumKind {
  if (diameterInches >= 18) return 'kick'
  if (diameterInches >= 13 && hz >= 160) return 'snare'
  return diameterInches >= 14 ? 'floor-tom' : 'tom'
}

/**
 * Spread in cents that a hand leaves when it turns every rod to within 1/64: mean of a Rayleigh law for the second
 * harmonic's amplitude, twice that from crest to trough.
 */
export function handSpreadCents(head: EvenHead, hz: number): number {
  const k = turnLawPrior(head.diameterInches, head.threadPitchMm, head.pliesMils).mean
  const second = secondAnswerPrior(head.hoop, head.lugs).mean * k
  const sd = second * HAND_ERROR_TURNS * Math.sqrt(2 / head.lugs)
  return (2 * Math.sqrt(Math.PI / 2) * sd * CENTS_PER_NEPER) / (2 * hz * hz)
}

/** Tolerance in cents where the user sets none: by kind, and never less than what a hand can do there. */
export function defaultToleranceCents(
  head: EvenHead,
  hz: number,
  kind = likelyKind(head.diameterInches, hz),
): number {
  return Math.max(GOOD_ENOUGH_CENTS[kind], Math.ceil(handSpreadCents(head, hz)))
}
