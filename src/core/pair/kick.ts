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

/** Turns of every rod past where the last wrinkle goes, by diameter: a larger shell wants relatively more. */
const PAST_WRINKLES: ReadonlyArray<[inches: number, turns: number]> = [
  [18, 0.4],
  [20, 0.5],
  [22, 0.65],
  [24, 1],
  [26, 1.25],
]

export function turnsPastWrinkles(diameterInches: number): number {
  const last = PAST_WRINKLES.length - 1
  const i = Math.min(
    last - 1,
    Math.max(0, PAST_WRINKLES.findIndex(([inches]) => inches > diameterInches) - 1),
  )
  const above = diameterInches >= PAST_WRINKLES[last][0] ? last - 1 : i
  const [[a, from], [b, to]] = [PAST_WRINKLES[above], PAST_WRINKLES[above + 1]]
  const turns = from + ((diameterInches - a) / (b - a)) * (to - from)
  return Math.max(0.3, turns)
}

/** Batter lug pitch in Hz with the wrinkles just gone and so many turns on top. */
export function kickBatterHz(drum: PairDrum, turns: number, hz2PerTurn?: number): number {
  return Math.sqrt(turns * turnLawOf(drum, 'batter', hz2PerTurn))
}
