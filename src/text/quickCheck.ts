import type { DrumCheck } from '@/core/runs/quickCheck'
import type { Drum } from '@/core/records/kit'
import { centsText } from './heads'

/** What one stroke says of a drum. */
export function checkText({ drum, named, heads, seen, against }: DrumCheck): string {
  const off = Math.round(seen.cents)
  const centre = off === 0 ? 'centre as it was' : `centre ${centsText(seen.cents)} c`
  if (named.length === 0 && against === 'model')
    return `${drum.name}: ${centre}, within what the model of both heads may be off. This stroke makes the next check sharper.`
  const sure =
    against === 'model'
      ? '; held against the model of both heads alone, since no stroke of this tuning is known'
      : ''
  if (named.length === 0) return `${drum.name}: ${centre}, nothing has moved${sure}.`
  const odds = (side: string) => {
    const moved = heads.find((head) => head.side === side)!.moved
    return moved > 0.95
      ? 'almost surely'
      : moved > 0.5
        ? `${Math.round(10 * moved)} in 10`
        : moved > 0.3
          ? 'as likely as not'
          : 'perhaps'
  }
  const words = named.map((side) => `${side} ${odds(side)}`).join(', or ')
  return `${drum.name}: ${centre}; moved: ${words}${named.length > 1 ? '. One stroke cannot tell which: read both' : ''}${sure}.`
}

export const unreadText = ({ name }: Drum) =>
  `${name}: read both heads once, then one stroke tells whether they moved.`
