import { format } from 'date-fns'
import type { OpenFinding } from '@/core/fitting/lookOver'
import { findingText } from './fitting'

/** One part of the drum as it was seen: what was found, "well, 5 Jan", or not looked at. */
export function areaText(found: readonly OpenFinding[], seen: string | null): string {
  if (found.length) return found.map(findingText).join('; ')
  return seen ? `well, ${format(new Date(seen), 'd MMM')}` : 'not looked at'
}

/** How far the looking over is: "2 of 6 looked at, 1 found". */
export function seenText(areas: ReadonlyArray<{ seen: string | null; found: readonly unknown[] }>): string {
  const found = areas.reduce((sum, each) => sum + each.found.length, 0)
  const seen = areas.filter(({ seen: when }) => when !== null).length
  const looked = seen === areas.length ? 'all looked at' : `${seen} of ${areas.length} looked at`
  return found ? `${looked}, ${found} found` : looked
}
