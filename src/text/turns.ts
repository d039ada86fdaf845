import { turnFraction } from '@/core/units/turns'

/** The size of a turn in words of a tech: "1/8", "1 1/4". Direction is said beside it, in words. */
export function turnText(turns: number): string {
  const { whole, numerator, denominator } = turnFraction(turns)
  const rest = numerator ? `${numerator}/${denominator}` : ''
  if (!whole) return rest || '0'
  return rest ? `${whole} ${rest}` : `${whole}`
}

/** "up" or "down": the two words for the direction of a turn everywhere. */
export function directionWord(turns: number): 'up' | 'down' {
  return turns < 0 ? 'down' : 'up'
}

/** "2", "2 and 6", "2, 6 and 4". */
export function listText(items: readonly (number | string)[]): string {
  if (items.length < 2) return items.join('')
  return `${items.slice(0, -1).join(', ')} and ${items.at(-1)}`
}

/** A sitting's net turns in a few words: "3 and 4 up 1/16", "all up 1/8". */
export function turnsLabel(turns: readonly number[]): string {
  const most = turns.reduce((a, b) => (Math.abs(b) > Math.abs(a) ? b : a), 0)
  if (Math.abs(most) < 1 / 128) return 'hardly turned'
  const along = turns.flatMap((turn, i) =>
    turn * most > 0 && Math.abs(turn) > 0.6 * Math.abs(most) ? [i + 1] : [],
  )
  const way = `${directionWord(most)} ${turnText(Math.abs(most))}`
  if (along.length >= turns.length - 1) return `all ${way}`
  return along.length > 3 ? `${along.length} rods ${way}` : `${listText(along.map(String))} ${way}`
}
