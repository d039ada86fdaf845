import { CENTS_PER_NEPER } from '../units/pitch'
import type { PairDrum } from './types'

/**
 * How far a head can be taken. A limit that its maker stated is one; what pulls people usually stop at is a guess, and only
 * ever a warning.
 */
export type PairWarning = 'batter-slack' | 'batter-high' | 'resonant-slack' | 'resonant-high'
export type PairLimit = 'batter-ceiling' | 'resonant-ceiling' | 'relation'

/** Heads speak from about this pull above slack, in turns, and few are taken further than that (common practice, no source). */
const SPEAKS_TURNS = 0.15
const HIGHEST_TURNS = { tom: 2.6, snareBatter: 4, snareSide: 7.5 }
/** No head stands lower or higher than this: where the search ends, not a limit of any drum. */
const SEARCHED_HZ = { low: 20, high: 1500 }

type Side = 'batter' | 'resonant'
/** Logarithms of pitches in Hz. */
interface LogRange {
  low: number
  high: number
}

/** Where a head is usually taken, from just speaking to as far as people go, and always where it stands. @param nowHz null where unknown */
export function guessedRange(drum: PairDrum, side: Side, hz2PerTurn: number, nowHz: number | null): LogRange {
  const turns =
    drum.kind !== 'snare'
      ? HIGHEST_TURNS.tom
      : side === 'batter'
        ? HIGHEST_TURNS.snareBatter
        : HIGHEST_TURNS.snareSide
  const low = Math.sqrt(SPEAKS_TURNS * hz2PerTurn)
  const high = drum[side]?.ceilingHz ?? Math.sqrt(turns * hz2PerTurn)
  return { low: Math.log(Math.min(low, nowHz ?? low)), high: Math.log(Math.max(high, nowHz ?? high)) }
}

/** Where a head may be planned at all: under its stated limit, or where it stands above it already. */
export function allowedRange(drum: PairDrum, side: Side, nowHz: number | null): LogRange {
  const ceiling = drum[side]?.ceilingHz
  return {
    low: Math.log(SEARCHED_HZ.low),
    high: Math.log(ceiling === undefined ? SEARCHED_HZ.high : Math.max(ceiling, nowHz ?? 0)),
  }
}

/** A cent is no warning. */
const HAIR = 1 / CENTS_PER_NEPER

/** What a place asks to be careful of. */
export function warningsAt(
  ranges: Partial<Record<Side, LogRange>>,
  logs: Partial<Record<Side, number>>,
): PairWarning[] {
  return (['batter', 'resonant'] as const).flatMap((side): PairWarning[] => {
    const [range, at] = [ranges[side], logs[side]]
    if (!range || at === undefined) return []
    if (at < range.low - HAIR) return [`${side}-slack`]
    return at > range.high + HAIR ? [`${side}-high`] : []
  })
}
