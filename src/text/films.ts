import type { FilmAge } from '@/core/drift/films'
import type { Condition, WornReason } from '@/core/drift/worn'
import { FINDINGS } from '@/core/fitting/lookOver'
import { filmText } from './heads'
import { turnText } from './turns'

/** Where a head is, or what it is in the box. */
export function filmPlace({ on, name, gone }: Pick<FilmAge, 'on' | 'name' | 'gone'>): string {
  if (on) return `${on.drum.name} ${on.side}`
  return gone ? `${name ?? 'a head'}, given away` : (name ?? 'a head in the box')
}

export const filmKind = ({ head, diameterInches }: Pick<FilmAge, 'head' | 'diameterInches'>): string =>
  `${diameterInches} inch, ${filmText(head.pliesMils, head.coating)}`

/** Its age in what it went through. */
export function ageWords({ weeks, sittings, gigs, plays, minutes, stints }: FilmAge): string {
  if (stints.length === 0)
    return weeks === null ? 'never on a drum' : `${Math.round(weeks)} weeks, never on a drum here`
  const of = (count: number, word: string) => `${count} ${count === 1 ? word : `${word}s`}`
  return [
    weeks === null ? 'age unknown' : of(Math.round(weeks), 'week'),
    of(sittings, 'sitting'),
    of(gigs, 'gig'),
    of(plays, 'play'),
    ...(minutes ? [`${Math.round(minutes / 60)} h played`] : []),
  ].join(', ')
}

function wornText(reason: WornReason): string {
  switch (reason.why) {
    case 'found':
      return `looking over found it ${FINDINGS[reason.finding].label}`
    case 'law-fell':
      return `a turn raises it by ${Math.round(100 * reason.part)}% of what it did at first`
    case 'will-not-hold':
      return `it falls ${reason.centsADay.toFixed(1)} c a day, long after it should have settled`
    case 'drawn-up':
      return `it was drawn up by ${turnText(reason.turns)} turns since its first days`
    case 'age':
      return `${reason.months} months on; hard playing asks for a new one every three to six`
  }
}

/** What its record says of a head, in one line. */
export function conditionText({ reasons, worn, buy }: Condition): string {
  if (!worn) return 'nothing speaks against it'
  const text = `worn: ${reasons.map(wornText).join('; ')}`
  return buy ? `${text}. None of its size is in the box: time to buy one` : text
}
