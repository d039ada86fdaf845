import { turnLawPrior } from '../membrane/turnLaw'
import { STANDARD_THREAD_MM } from '../units/turns'
import type { DrumKind } from './kinds'

/**
 * Where an unread drum is taken to stand: the one place that says so, for every step and every list (common practice, no source,
 * unless said).
 */
export interface SizedDrum {
  kind: DrumKind
  diameterInches: number
  threadPitchMm?: number | undefined
  batterMils?: readonly number[] | undefined
  resonantMils?: readonly number[] | undefined
}

/** Turns of every rod past where the last wrinkle of a kick goes, by diameter: a larger shell wants relatively more. */
const PAST_WRINKLES: ReadonlyArray<[inches: number, turns: number]> = [
  [18, 0.4],
  [20, 0.5],
  [22, 0.65],
  [24, 1],
  [26, 1.25],
]
const LEAST_PAST_WRINKLES = 0.3

/** @returns turns of every rod, straight between the sizes that people name and on beyond them */
export function turnsPastWrinkles(diameterInches: number): number {
  const above = PAST_WRINKLES.findIndex(([inches]) => inches >= diameterInches)
  const i = above < 0 ? PAST_WRINKLES.length - 1 : Math.max(1, above)
  const [[a, from], [b, to]] = [PAST_WRINKLES[i - 1], PAST_WRINKLES[i]]
  return Math.max(LEAST_PAST_WRINKLES, from + ((diameterInches - a) / (b - a)) * (to - from))
}

export interface UsualTurns {
  lowest: number
  favourite: number
  highest: number
}

/** Turns of every rod of a batter above slack: toms 0.4 to 1.5; the others by the pitches people name. */
const TURNS: Record<Exclude<DrumKind, 'kick'>, UsualTurns> = {
  tom: { lowest: 0.4, favourite: 0.8, highest: 1.5 },
  'floor-tom': { lowest: 0.3, favourite: 0.6, highest: 1.3 },
  snare: { lowest: 0.65, favourite: 2.1, highest: 5 },
}
/** A kick speaks from this part of its best pull to this. */
const KICK_RANGE = { lowest: 0.4, highest: 2 }

export function usualTurns({ kind, diameterInches }: Pick<SizedDrum, 'kind' | 'diameterInches'>): UsualTurns {
  if (kind !== 'kick') return TURNS[kind]
  const favourite = turnsPastWrinkles(diameterInches)
  return { lowest: KICK_RANGE.lowest * favourite, favourite, highest: KICK_RANGE.highest * favourite }
}

/** The resonant head above the batter where nobody said: a third, and on a snare 400 over 262 Hz; cents. */
export const USUAL_RELATION_CENTS: Record<DrumKind, number> = {
  kick: 300,
  snare: 730,
  tom: 400,
  'floor-tom': 400,
}

/**
 * Lug pitch of an unread head in Hz, from kind, size and film.
 * @param hz2PerTurn what a turn of the batter does, where it has shown it
 */
export function usualLugHz(drum: SizedDrum, side: 'batter' | 'resonant', hz2PerTurn?: number): number {
  const k =
    hz2PerTurn ??
    turnLawPrior(drum.diameterInches, drum.threadPitchMm ?? STANDARD_THREAD_MM, drum.batterMils).mean
  const batter = Math.sqrt(usualTurns(drum).favourite * k)
  return side === 'batter' ? batter : batter * 2 ** (USUAL_RELATION_CENTS[drum.kind] / 1200)
}
