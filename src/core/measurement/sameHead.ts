import { median } from '../numeric/median'
import { centsBetween } from '../units/pitch'
import type { Mode, Tap } from './types'

/** Lugs of a head lie this far outside those read, or from what is expected of it, at most: rough heads differ much. */
const LUGS_CENTS = 150
const EXPECTED_CENTS = 200
/** Two taps of a head and more say which tones it has. */
const KNOWN_WELL = 2
/** Tones this near are one, this loud against the loudest are the head's own. */
const SAME_TONE_CENTS = 60
const OWN_TONE_DB = -20
/** The lug's tone may be this faint beside a louder one that is not known: above it, as a tom's upper modes are, or below it. */
const FAINT_BELOW_UPPER_DB = -24
const FAINT_ABOVE_LOWER_DB = -3

/** What is known of a head before a stroke is heard. */
export interface HeadHeard {
  /** Taps of it that were taken. */
  taps: readonly Tap[]
  /** Pitch that is expected of it; null where nothing is. */
  expectHz: number | null
}

/**
 * May a stroke have been on this head? Its lug's tone is there, and what is louder is a tone of the head as well, or may
 * be one. True where too little is known to tell.
 */
export function isOfHead({ modes }: Pick<Tap, 'modes'>, { taps, expectHz }: HeadHeard): boolean {
  const read = taps.flatMap(({ hz }) => (hz === null ? [] : [hz]))
  const known = read.length >= KNOWN_WELL
  const middle = known ? median(read) : (expectHz ?? read[0])
  if (!middle || modes.length === 0) return true
  const spread = known ? centsBetween(Math.min(...read), Math.max(...read)) : 0
  const reach = known ? LUGS_CENTS + spread : EXPECTED_CENTS
  const lug = loudestOf(modes.filter(({ hz }) => Math.abs(centsBetween(middle, hz)) < reach))
  const loudest = loudestOf(modes)!
  if (!lug) return false
  if (lug === loudest || isKnown(loudest, taps)) return true
  const under = lug.levelDb - loudest.levelDb
  return under > (loudest.hz > lug.hz ? FAINT_BELOW_UPPER_DB : FAINT_ABOVE_LOWER_DB)
}

function loudestOf(modes: readonly Mode[]): Mode | null {
  return modes.reduce<Mode | null>((a, b) => (a && a.levelDb >= b.levelDb ? a : b), null)
}

function isKnown(tone: Mode, taps: readonly Tap[]): boolean {
  return taps.some(({ modes }) =>
    modes.some(
      ({ hz, levelDb }) => levelDb > OWN_TONE_DB && Math.abs(centsBetween(hz, tone.hz)) < SAME_TONE_CENTS,
    ),
  )
}
