/** The snare drum (common practice, no source): ranges, ages, and what its wires want. */
export const BATTER_RANGES = [
  { hz: 144, label: 'slack', says: 'fat, dry' },
  { hz: 228, label: 'low', says: 'deep, some ring' },
  { hz: 262, label: 'medium', says: 'the usual middle of a 14' },
  { hz: 400, label: 'cranked', says: 'crack, little body' },
] as const

export const SNARE_SIDE_HZ = 400

/** Ranges are those of a 14 inch drum; at equal pull per width a lug pitch goes with one over the diameter. */
export function scaledRange(hz: number, diameterInches: number): number {
  return (hz * 14) / diameterInches
}

/** A side snare: smaller than this, and tighter still. */
export const SIDE_SNARE_INCHES = 12.5

/** Months after which a snare-side head is due under hard playing: three to six. */
const HEAD_MONTHS = { soon: 3, due: 6 }

export type HeadAge = 'fresh' | 'watch' | 'due' | 'unknown'

/** How old a head is against what hard playing leaves it. @param nowMs the present, in ms since 1970 */
export function snareHeadAge(
  fittedOn: string | null,
  nowMs: number,
): { months: number | null; age: HeadAge } {
  if (fittedOn === null) return { months: null, age: 'unknown' }
  const months = (nowMs - Date.parse(fittedOn)) / (30.44 * 24 * 3600 * 1000)
  const age = months < HEAD_MONTHS.soon ? 'fresh' : months < HEAD_MONTHS.due ? 'watch' : 'due'
  return { months, age }
}

/** Lugs beside a snare bed read so much lower than those across, before the drum has shown its own; normal either way. */
export const USUAL_BED_CENTS = 20
