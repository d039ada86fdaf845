import { CENTS_PER_NEPER, shiftByCents } from '../units/pitch'
import type { LugWord } from './lugPicture'
import type { LugReading } from './readings'
import type { Ear, Round } from './types'

/** A difference at the threshold is so many of the ear's own standard errors: three of four are right. */
const THRESHOLD_ERRORS = 0.6744897502
/** Noise of a trained ear, where nobody has measured this one, in cents (common practice, no source); and its threshold. */
export const EAR_NOISE_CENTS = 7
const USUAL_THRESHOLD_CENTS = THRESHOLD_ERRORS * EAR_NOISE_CENTS

/**
 * What an ear says of a lug against a reference: how many cents it means by its word, and how far what is meant by that word
 * scatters whoever says it, one standard error (common practice, no source).
 */
const EAR_CENTS: Record<Ear, { cents: number; scatter: number }> = {
  'much-lower': { cents: -60, scatter: scatterFor(30) },
  lower: { cents: -20, scatter: scatterFor(14) },
  alike: { cents: 0, scatter: 0 },
  higher: { cents: 20, scatter: scatterFor(14) },
  'much-higher': { cents: 60, scatter: scatterFor(30) },
}

/** Whoever only just hears a difference means more by the word. */
const WORD_THRESHOLDS = 1.5

/** What a word scatters by itself, so that with a trained ear's noise it comes to so many cents. */
function scatterFor(cents: number): number {
  return Math.sqrt(cents ** 2 - EAR_NOISE_CENTS ** 2)
}

/**
 * A word as cents against the reference with one standard error: what the word means, and the noise of this ear, known from
 * its threshold in drills.
 */
export function earWord(word: Ear, thresholdCents?: number | null): { cents: number; error: number } {
  const threshold = thresholdCents ?? USUAL_THRESHOLD_CENTS
  const { cents, scatter } = EAR_CENTS[word]
  const meant = Math.sign(cents) * Math.max(Math.abs(cents), cents === 0 ? 0 : WORD_THRESHOLDS * threshold)
  return { cents: meant, error: Math.hypot(scatter, threshold / THRESHOLD_ERRORS) }
}

/** From here on a difference is much, in cents; below so many thresholds it is none (common practice, no source). */
const MUCH_CENTS = 40
const ALIKE_THRESHOLDS = 2

/** The words of a round as what was heard against the reference lug. */
export function earWords({ ear, earReference = 1, earThresholdCents }: Round): LugWord[] {
  const threshold = earThresholdCents ?? USUAL_THRESHOLD_CENTS
  const alike = ALIKE_THRESHOLDS * threshold
  const much = Math.max(MUCH_CENTS, 2 * alike)
  const heard: Record<Ear, [number, number]> = {
    'much-lower': [-Infinity, -much],
    lower: [-much, -alike],
    alike: [-alike, alike],
    higher: [alike, much],
    'much-higher': [much, Infinity],
  }
  return (ear ?? []).flatMap((word, lug): LugWord[] => {
    if (!word || lug === earReference - 1) return []
    const [from, to] = heard[word]
    return [{ lug, against: earReference - 1, from, to, error: threshold / THRESHOLD_ERRORS }]
  })
}

/** Two taps of the reference lug itself are alike to within this, in cents. */
const REFERENCE_CENTS = 5

/** The words of a round as readings about a pitch, which itself stays unknown; the reference lug counts as that pitch. */
export function earReadings({ ear, earReference, earThresholdCents }: Round, aroundHz: number): LugReading[] {
  return (ear ?? []).flatMap((word, lug): LugReading[] => {
    if (!word && lug + 1 !== earReference) return []
    const { cents, error } = earWord(word ?? 'alike', earThresholdCents)
    const hz = shiftByCents(aroundHz, cents)
    const own = lug + 1 === earReference ? REFERENCE_CENTS : error
    return [{ lug, hz, errorHz: (hz * own) / CENTS_PER_NEPER, alone: false, confirmed: true }]
  })
}
