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

/** Taps further than this from the middle of the head's other lugs are asked about. */
export const JUMP_CENTS = 220
/** A reading this far from what the others say is of another tone. */
const ANOTHER_TONE_CENTS = 100
/** A tap that was not used is read anew only where its tone is this loud in it: it may be another drum's. */
const FAINTEST_DB = -3
const SAME_CENTS = 40
/** From the third lug on its taps choose the head's tone together. */
const LUGS_FOR_A_TONE = 3

/** A tap of a round as it was taken: its pitch, the tones it showed, and whether it counts. */
export interface ToneTap {
  hz: number
  modes: readonly Mode[]
  used: boolean
}

const near = (modes: readonly Mode[], hz: number, within: number) =>
  modes.find((mode) => Math.abs(centsBetween(hz, mode.hz)) < within)

/**
 * What the taps of a round make of the head's tone: taps (by place) to be read anew at another of their tones, and pitches to ask
 * about where they do not tell. Null while there are too few.
 */
export function agreeTone(
  taps: readonly ToneTap[],
  known: MeasureOptions,
): { anew: Array<[tap: number, hz: number]>; ask: number[] } | null {
  if (taps.length < LUGS_FOR_A_TONE) return null
  const readings = taps.map(({ hz }) => hz)
  const agree = centsBetween(Math.min(...readings), Math.max(...readings)) < JUMP_CENTS
  if (agree && taps.every(({ used }) => used)) return { anew: [], ask: [] }
  const { pitches, tones, sure } = toneOfHead(
    taps.map(({ modes }) => modes),
    known,
  )
  const apart =
    pitches.length > 0 && readings.some((hz) => Math.abs(centsBetween(pitches[0].hz, hz)) > JUMP_CENTS)
  if (!sure) return { anew: [], ask: apart ? pitches.slice(0, 2).map(({ hz }) => hz) : [] }
  const anew = taps.flatMap(({ modes, used, hz }, i): Array<[number, number]> => {
    const tone = tones[i]
    if (tone === null || (!used && (near(modes, tone, SAME_CENTS)?.levelDb ?? 0) < FAINTEST_DB)) return []
    return used && Math.abs(centsBetween(tone, hz)) < ANOTHER_TONE_CENTS ? [] : [[i, tone]]
  })
  return { anew, ask: [] }
}

/** Taps (by place) that show a tone near the pitch that somebody named, and are to be read at it. */
export function nearTone(taps: readonly ToneTap[], hz: number): Array<[tap: number, hz: number]> {
  return taps.flatMap(({ modes, used, hz: own }, i): Array<[number, number]> => {
    const tone = near(modes, hz, JUMP_CENTS)?.hz
    const stays = tone !== undefined && used && Math.abs(centsBetween(tone, own)) < ANOTHER_TONE_CENTS
    return tone === undefined || stays ? [] : [[i, tone]]
  })
}
