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
