import type { Pass } from '../log/sittings'
import type { HandTarget } from '../records/kit'
import type { Gauge, HeadAtHand } from './inputs'

const isTurned = ({ turns }: Pass) => turns?.some((turn) => turn !== 0) === true

/**
 * What a hand measured a head by in its newest sitting, where that is no pitch: dials and an ear's word since it was turned last, and
 * the turns from slack where it began there. Null where it measured nothing.
 * @param byEar the ear found it even
 */
export function handNow({ sitting, before, drum }: HeadAtHand, byEar: boolean): HandTarget | null {
  const newest = sitting ?? before
  if (!newest) return null
  const since = newest.passes.slice(newest.passes.findLastIndex(isTurned) + 1)
  const dials = since.findLast((pass) => pass.dials.size > 0)?.dials
  const byLug = <Value>(of: (lug: number) => Value) => Array.from({ length: drum.lugs }, (_, i) => of(i + 1))
  const slackTurns =
    newest.slack && newest.passes.some(isTurned)
      ? byLug((lug) => newest.passes.reduce((sum, { turns }) => sum + (turns?.[lug - 1] ?? 0), 0))
      : null
  if (!dials && !slackTurns && !byEar) return null
  return {
    ...(dials ? { dials: byLug((lug) => dials.get(lug) ?? null) } : {}),
    ...(slackTurns ? { slackTurns } : {}),
    ...(byEar ? { ear: true as const } : {}),
  }
}

/** Turns from slack nearer than this are the same. */
const SAME_TURNS = 1 / 32

/** Whether a head is where a sheet's hand had it; null where it was not measured that way. */
export function handAgrees(kept: HandTarget, now: HandTarget | null, { gaugeError }: Gauge): boolean | null {
  const alike = (a: ReadonlyArray<number | null>, b: ReadonlyArray<number | null>, within: number) =>
    a.every((value, i) => value === null || typeof b[i] !== 'number' || Math.abs(value - b[i]) <= within)
  if (kept.dials) return now?.dials ? alike(kept.dials, now.dials, 2 * gaugeError) : null
  if (kept.slackTurns) return now?.slackTurns ? alike(kept.slackTurns, now.slackTurns, SAME_TURNS) : null
  return now?.ear ?? null
}
