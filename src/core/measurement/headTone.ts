import { centsBetween } from '../units/pitch'
import { chooseLugMode, logPrior } from './choose'
import type { MeasureOptions, Mode } from './types'

/** Lugs of one head lie within this of its pitch, one standard deviation in cents. */
const LUGS_CENTS = 90
/** A tap may show another tone than the head's lug mode however the others read: this much of its likelihood stays. */
const STRAY = 0.02
/** What speaks for one tone in a head's pattern speaks so in all of its taps: together they count as so many at most. */
const TAPS_WORTH = 2
/** Two pitches closer than this are one answer. */
const APART_CENTS = 200
/** Odds at which one pitch is taken for the head's; with less it is asked. */
const SURE_ODDS = 8
/** A tone for which a tap's own pattern speaks less than this is not looked for in it. */
const FAINTEST_ODDS = 0.003

/** Pitches that a head's taps may mean, together. */
export interface HeadTone {
  /** Likeliest first; each more than a third from the others. */
  pitches: Array<{ hz: number; odds: number }>
  /** The first stands far enough before the second. */
  sure: boolean
  /** For each tap its tone that belongs to the likeliest pitch; null where it shows none. */
  tones: Array<number | null>
}

/**
 * Which tone is the lug's, by all taps of a head together: one that fits alone may be the wrong one, the same one in all of
 * them hardly. Every tap's tones are weighed anew by their pattern alone, not by what was expected when it came, so that a
 * first wrong reading has one vote like any other.
 * @param taps modes of each tap, loudest first
 * @param known what is known of the head's pitch from elsewhere: its target, its size
 */
export function toneOfHead(taps: ReadonlyArray<readonly Mode[]>, known: MeasureOptions): HeadTone {
  const seen = taps.map((modes) => chooseLugMode(modes, {}).filter(({ odds }) => odds > FAINTEST_ODDS))
  const all = seen.flatMap((candidates) => candidates.map(({ hz }) => hz))
  const worth = Math.min(1, TAPS_WORTH / taps.length)
  const scored = all.map((hz) => ({
    hz,
    score:
      // What is known from elsewhere counts once, not once a tap.
      logPrior(hz, known) +
      worth *
        seen.reduce(
          (sum, candidates) =>
            sum +
            Math.log(
              STRAY +
                candidates.reduce(
                  (fit, { hz: own, odds }) =>
                    fit + odds * Math.exp(-0.5 * (centsBetween(hz, own) / LUGS_CENTS) ** 2),
                  0,
                ),
            ),
          0,
        ),
  }))
  scored.sort((a, b) => b.score - a.score)
  const pitches: HeadTone['pitches'] = []
  for (const { hz, score } of scored)
    if (!pitches.some((other) => Math.abs(centsBetween(other.hz, hz)) < APART_CENTS))
      pitches.push({ hz, odds: Math.exp(score - scored[0].score) })
  const first = pitches[0]
  const tones = seen.map((candidates) => {
    const near = candidates
      .filter(({ hz }) => first && Math.abs(centsBetween(first.hz, hz)) < APART_CENTS)
      .sort((a, b) => b.odds - a.odds)[0]
    return near?.hz ?? null
  })
  return { pitches, sure: pitches.length < 2 || pitches[1].odds * SURE_ODDS < 1, tones }
}
