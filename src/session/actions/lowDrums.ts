import type { MeasureOptions, Tap } from '@/core/measurement/types'
import { lugByUpperModes } from '@/core/measurement/upper'
import { centsErrorToHz, centsBetween } from '@/core/units/pitch'
import type { BenchView } from '../benchView'
import { fixed } from '@/text/shown'

/** Drums whose lug pitch a small microphone may not hear. */
const LOW_KINDS = new Set(['kick', 'floor-tom'])
/** Below this the lowest tone may be lost; a reading this far above what was expected may be an upper one. */
const LOW_HZ = 90
const ABOVE_CENTS = 350

/**
 * A tap of a low drum whose own tone was lost, told by the tones above it: which were used and how sure is said. Null where
 * the tap reads as it should, or nothing can be told.
 */
export function toldByUpper(
  { drum, side }: BenchView,
  { expectHz, expectCents = 250 }: MeasureOptions,
  tap: Tap,
): { tap: Tap; said: string } | null {
  if (!LOW_KINDS.has(drum.kind) || tap.noTap || !expectHz || expectHz > LOW_HZ) return null
  if (tap.hz !== null && centsBetween(expectHz, tap.hz) < ABOVE_CENTS) return null
  const { diameterInches, depthInches } = drum
  const head = { diameterInches, pliesMils: drum[side].pliesMils, space: { depthInches } }
  const told = lugByUpperModes(head, tap.modes, { hz: expectHz, cents: Math.max(250, expectCents) })
  if (!told) return null
  const { hz, errorCents, used } = told
  return {
    tap: { ...tap, verdict: 'ok', why: null, hz, standardErrorHz: centsErrorToHz(hz, errorCents), poles: [] },
    said: `The lowest tone was not heard. Told by ${used.map((each) => fixed(each.hz, 1)).join(' and ')} Hz above it: ${fixed(hz, 1)} Hz, give or take ${Math.round(errorCents)} c.`,
  }
}
