import { centsBetween } from '../units/pitch'
import type { MeasuredTap } from './listener'
import { isOfHead, type HeadHeard } from './sameHead'
import type { Tap } from './types'

/** What a stroke that was heard hands free means, from the strokes before it and what the Bench asks for. */

/** Two taps this far apart tick the open move off; closer ones are a stick that bounced, others are two checks. */
const DOUBLE_SECONDS = { least: 0.2, most: 0.6 }
/** While lugs are read nobody gets to the next one sooner than this: what follows sooner is the same lug, or no tap. */
const NEXT_LUG_SECONDS = 0.45
/** A second stroke is a sign or the same tap up to here; behind it a stroke too early for the next lug may be one missed. */
const BOUNCE_SECONDS = 0.3
/** Taps of one hand are within this of the middle one in power, up and down: 13 dB. */
const OF_A_HAND = 20
/** A refused stroke is heard about where it was as strong as this against full scale, while no hand is known. */
const LOUD_PEAK = 0.02

/** Struck as the taps before it, and sounding as this head does. */
export function isOwnStroke({ tap, againstHand }: MeasuredTap, head: HeadHeard): boolean {
  const strong = againstHand === null || (againstHand > 1 / OF_A_HAND && againstHand < OF_A_HAND)
  return strong && !tap.voice && isOfHead(tap, head)
}

/**
 * After so many strokes of another drum at one pitch, running, it is a lug far out that somebody means; while none of the head
 * has been read, one other near it is enough: then it is the head that lies far from what was expected.
 */
const MEANT = { lug: { strokes: 2, cents: 30 }, head: { strokes: 1, cents: 250 } }

/** @param before strokes before it, newest last: their pitch where they were taken for another drum, else null */
export function isMeant({ hz }: Tap, before: ReadonlyArray<number | null>, ofHead: number): boolean {
  if (hz === null) return false
  const { strokes, cents } = ofHead === 0 ? MEANT.head : MEANT.lug
  const last = before.slice(-strokes)
  return (
    last.length === strokes &&
    last.every((other) => other !== null && Math.abs(centsBetween(hz, other)) < cents)
  )
}

/** A stroke behind one that was taken comes too soon for another lug; null where it does not, else whether one may have been missed. */
export function tooSoon({ afterSeconds }: MeasuredTap): { missed: boolean } | null {
  if (afterSeconds === null || afterSeconds >= NEXT_LUG_SECONDS) return null
  return { missed: afterSeconds > BOUNCE_SECONDS }
}

/** Loud enough that whoever struck it wants to hear that it was refused. */
export const isLoud = ({ tap, againstHand, samples }: MeasuredTap): boolean =>
  (againstHand !== null || samples.some((x) => Math.abs(x) > LOUD_PEAK)) && tap.verdict !== 'too-quiet'

/**
 * Is this the second of two strokes that mean something? Both on this head, nothing before them and nothing behind. False
 * for the first of them, null for neither.
 * @param first what the first one would tick off, null where none is open
 * @param shown what two strokes would tick off now, empty for nothing, and since when it is shown
 */
export function signOf(
  { tap, againSeconds, afterSeconds }: MeasuredTap,
  first: string | null,
  shown: { key: string; since: number },
): boolean | null {
  const inTime = (seconds: number | null) =>
    seconds !== null && seconds >= DOUBLE_SECONDS.least && seconds <= DOUBLE_SECONDS.most
  if (first !== null && inTime(afterSeconds))
    return first === shown.key && againSeconds === null ? true : null
  if (afterSeconds !== null || !inTime(againSeconds)) return null
  return shown.key === '' || tap.hz === null || tap.atSeconds < shown.since ? null : false
}
