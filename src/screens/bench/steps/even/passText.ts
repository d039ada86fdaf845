import { alikeMoves } from '@/text/advice'
import { directionWord, turnText } from '@/text/turns'

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
