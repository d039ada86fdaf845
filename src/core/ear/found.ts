import type { EarFound } from '../records/drill'

/** What was measured within so many octaves of a pitch speaks for it. */
const NEAR_OCTAVES = 0.6
/** A newer result takes the place of older ones this near. */
const SAME_OCTAVES = 0.25
const MOST = 12

const octaves = (a: number, b: number) => Math.abs(Math.log2(a / b))

/** The list with a new result in it, newest last. */
export function withFound(list: readonly EarFound[], found: EarFound): EarFound[] {
  return [...list.filter(({ hz }) => octaves(hz, found.hz) > SAME_OCTAVES), found].slice(-MOST)
}

/** What this ear tells apart near a pitch, in cents; null where it was not measured near it. */
export function thresholdNear(list: readonly EarFound[], hz: number): number | null {
  const near = list
    .filter((each) => octaves(each.hz, hz) <= NEAR_OCTAVES)
    .sort((a, b) => octaves(a.hz, hz) - octaves(b.hz, hz))
  return near[0]?.thresholdCents ?? null
}
