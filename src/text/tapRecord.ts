import type { Tap } from '@/core/measurement/types'
import { nearestNote } from '@/core/units/pitch'

const digits = (value: number, places: number) => Number(value.toFixed(places))

/** A measured tap as commands and route handlers give it out. */
export function tapRecord(tap: Tap, a4Hz: number) {
  const note = tap.hz === null ? null : nearestNote(tap.hz, a4Hz)
  return {
    atSeconds: tap.verdict === 'no-tap' ? null : digits(tap.atSeconds, 4),
    verdict: tap.verdict,
    ...(tap.why === null ? {} : { why: tap.why }),
    ...(tap.warning ? { warning: tap.warning } : {}),
    hz: tap.hz === null ? null : digits(tap.hz, 2),
    standardErrorHz: tap.standardErrorHz === null ? null : digits(tap.standardErrorHz, 3),
    note: note && note.name,
    cents: note && digits(note.cents, 1),
    modes: tap.modes.map((mode) => ({
      hz: digits(mode.hz, 2),
      decaySeconds: digits(mode.decaySeconds, 4),
      levelDb: digits(mode.levelDb, 1),
      standardErrorHz: digits(mode.standardErrorHz, 3),
    })),
    alternatives: tap.alternatives.map(({ hz, odds }) => ({ hz: digits(hz, 2), odds: digits(odds, 3) })),
    ...(tap.ringSeconds && {
      glideCents: typeof tap.glideCents === 'number' ? digits(tap.glideCents, 1) : null,
      ringSeconds: {
        to20dB: tap.ringSeconds.to20dB && digits(tap.ringSeconds.to20dB, 3),
        to60dB: tap.ringSeconds.to60dB && digits(tap.ringSeconds.to60dB, 3),
      },
    }),
  }
}
