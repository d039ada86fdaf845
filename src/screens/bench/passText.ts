import type { Pass } from '@/core/keeping/history'
import { alikeMoves } from '@/text/advice'
import { directionWord, turnText } from '@/text/turns'

/** Highest against lowest reading of a pass, in cents; null with fewer than two. */
export function spreadOf(pass: Pass): number | null {
  const hz = [...pass.readings.values()].map((reading) => reading.hz)
  return hz.length < 2 ? null : 1200 * Math.log2(Math.max(...hz) / Math.min(...hz))
}

/** What was turned, shortly: "3, 8 up 1/8 · 2, 7 up 1/16". */
export function turnsText(turns: readonly number[] | null): string {
  if (!turns) return 'not turned yet'
  const moves = alikeMoves(turns)
  if (moves.length === 0) return 'nothing turned'
  return moves
    .map(
      ({ turn, rods }) =>
        `${rods.length === turns.length ? 'all' : rods.join(', ')} ${directionWord(turn)} ${turnText(turn)}`,
    )
    .join(' · ')
}
