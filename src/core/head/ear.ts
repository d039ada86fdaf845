import { CENTS_PER_NEPER, shiftByCents } from '../units/pitch'
import type { LugReading } from './readings'
import type { Ear, Round } from './types'

/**
 * What an ear says of a lug against a reference: how many cents it means by its word, and how surely, one standard error
 * (common practice, no source).
 */
export const EAR_CENTS: Record<Ear, { cents: number; error: number }> = {
  'much-lower': { cents: -60, error: 30 },
  lower: { cents: -20, error: 14 },
  alike: { cents: 0, error: 7 },
  higher: { cents: 20, error: 14 },
  'much-higher': { cents: 60, error: 30 },
}

/** Two taps of the reference lug itself are alike to within this, in cents. */
const REFERENCE_CENTS = 5

/** The words of a round as readings about a pitch, which itself stays unknown; the reference lug counts as that pitch. */
export function earReadings({ ear, earReference }: Round, aroundHz: number): LugReading[] {
  return (ear ?? []).flatMap((word, lug): LugReading[] => {
    if (!word && lug + 1 !== earReference) return []
    const { cents, error } = EAR_CENTS[word ?? 'alike']
    const hz = shiftByCents(aroundHz, cents)
    const own = lug + 1 === earReference ? REFERENCE_CENTS : error
    return [{ lug, hz, errorHz: (hz * own) / CENTS_PER_NEPER, alone: false, confirmed: true }]
  })
}
