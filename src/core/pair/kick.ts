import { turnLawOf } from '../membrane/turnLaw'
import type { PairDrum } from './types'

/** The kick: its batter is a choice of feel, its front of tone (common practice, no source). */
export const FRONT_CHOICES = [
  { cents: -300, label: 'a minor third below', expect: 'long, a big rumble' },
  { cents: 0, label: 'alike', expect: 'full and round, the longest note' },
  { cents: 500, label: 'a fourth above', expect: 'shorter, punchier, and it seems higher' },
  { cents: 1200, label: 'an octave above', expect: 'short, like a sample' },
] as const

/** Where a port goes, and what it does. */
export const PORT_SAYS = {
  none: 'No port: more sustain, and a risk of a hollow bounce under the beater.',
  ported:
    'A port lets air out and leaves room for a microphone: centred or off-centre, never near the edge. With it the two heads hear less of each other.',
  caution:
    'Cutting a port: gloves, a sharp blade away from the hand, the head off the drum. A cut head cannot be mended.',
} as const

/** Batter lug pitch in Hz with the wrinkles just gone and so many turns on top. */
export function kickBatterHz(drum: PairDrum, turns: number, hz2PerTurn?: number): number {
  return Math.sqrt(turns * turnLawOf(drum, 'batter', hz2PerTurn))
}
