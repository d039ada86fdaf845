/**
 * What is wrong with a plan, added up; docs/decisions/spacing.md says each formula. Cents throughout.
 * A cost of 1 is a thing one would rather not have. Weights are judgements.
 */

/** Outside where the drum speaks. @param cents beyond the nearer end, 0 within */
export const rangeCost = (cents: number) => 4 * (cents / 100) ** 2

/** Away from its best. @param weight 1, more for the drum that is the anchor */
export const favouriteCost = (cents: number, weight: number) => 0.5 * weight * (cents / 150) ** 2
export const ANCHOR_WEIGHT = 8

/** A tom on the snare's pitch makes the wires buzz. */
export const snareCost = (cents: number) => 1.5 * Math.max(0, 1 - Math.abs(cents) / 100) ** 2

/** Away from the nearest note of the key. */
export const favourCost = (cents: number) => 0.5 * Math.min(1, (cents / 50) ** 2)

/** A root off concert pitch, where none was asked for: it only tells plans apart that are as good. */
export const concertCost = (cents: number) => 0.0005 * Math.abs(cents)

/** Turning. @param turns of every rod of both heads together; @param leastWork 0 to 1 */
export const workCost = (turns: number, leastWork: number) => (0.1 + 1.4 * leastWork) * (turns / 0.5)

/**
 * A gap against what the scheme wants, and against what keeps two drums apart at all. The part that grows straight makes
 * the scheme exact wherever it can be had: a few cents off everywhere would be a scheme nowhere.
 */
export function gapCost(gap: number, wanted: readonly number[]): number {
  const close = 10 * squared(Math.max(0, SEPARATE_CENTS - gap) / 100)
  if (wanted.length === 0) return close + squared(freeOff(gap) / 100)
  let off = Infinity
  for (let i = 0; i < wanted.length; i++) off = Math.min(off, Math.abs(gap - wanted[i]))
  return close + off / 10 + 2 * squared(off / 100)
}
/** A product, and no iterator above: this runs for every pair of pitches of two drums. */
const squared = (x: number) => x * x
/** Nearer than a whole step two drums are not told apart (common practice, no source: half a step gives no separation). */
export const SEPARATE_CENTS = 200
/** Without a scheme a gap is good from a minor third to a major sixth. */
const freeOff = (gap: number) => Math.max(0, 300 - gap, gap - 900)

/** The kick under the lowest tom: a fourth to an octave (common practice, no source). */
export const kickCost = (gap: number) => (Math.max(0, KICK_GAP.least - gap, gap - KICK_GAP.most) / 150) ** 2
export const KICK_GAP = { least: 500, most: 1200 }

/** 1 for a plan with nothing wrong, towards 0 as its cost a drum grows. */
export const scoreOf = (cost: number, drums: number) => 1 / (1 + cost / Math.max(1, drums))
