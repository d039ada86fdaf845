import { SIDE_SNARE_INCHES, type HeadAge } from '@/core/pair/snare'
import type { SnareBed } from '@/core/evening/bed'
import { listText } from './turns'

const AGE: Record<HeadAge, string> = {
  fresh: 'fresh enough.',
  watch: 'under hard playing it is due between three and six months: listen for a dull answer.',
  due: 'older than hard playing leaves it. A fresh one is the cheapest new snare drum.',
  unknown: 'nobody noted when it was fitted. After three to six months of hard playing it wants changing.',
}

/** How old the thin head is, and what that means. */
export function snareAgeText({ months, age }: { months: number | null; age: HeadAge }): string {
  return `This head${months === null ? ': ' : ` is ${Math.round(months)} months old: `}${AGE[age]}`
}

/** Where the thin side goes, with its caution. */
export function snareSideText(hz: number, diameterInches: number): string {
  const tighter = diameterInches < SIDE_SNARE_INCHES ? '; a side snare goes tighter still' : ''
  return `Snare side first and tight: about ${hz} Hz on ${diameterInches} inches${tighter}. Two full turns past the biting point is a start. Never press it with force: it is very thin.`
}

/** How the wires were noted. */
export function wiresText(wires: { knob: number; unit: string; rattles: boolean | null } | null): string {
  if (!wires) return 'Not noted yet.'
  const rattle = wires.rattles === null ? '' : wires.rattles ? ', they rattle on' : ', no rattle'
  return `Noted: ${wires.knob} ${wires.unit} past touching${rattle}.`
}

/** What was said of a snare side's bed. */
export function bedText(bed: SnareBed | undefined): string {
  if (!bed) return 'which lugs stand beside it was not said.'
  if (bed.lugs.length === 0) return 'none that shows; all lugs are brought alike.'
  return `lugs ${listText(bed.lugs)} may read ${bed.cents} c lower and are never raised to match.`
}

/** What readings that look like a bed are asked. */
export const bedQuestionText = ({ cents }: SnareBed): string =>
  `They read ${cents} c lower than the others. Beside the bed of the wires, at both ends, that is normal: they are left lower, and the rest is evened.`
