import { openFindings } from '../log/findings'
import type { KitState } from '../log/fold'
import { meanTurn, type PastSitting } from '../log/history'
import { snareHeadAge } from '../pair/snare'
import type { FindingId } from '../fitting/lookOver'
import { FINDINGS } from '../fitting/lookOver'
import { centsBetween } from '../units/pitch'
import { DAY_MS } from '../units/time'
import { sparesFor, type FilmAge } from './films'

/** Why a head counts as worn. */
export type WornReason =
  | { why: 'found'; finding: FindingId }
  /** A turn raises it by so much of what it did at first. */
  | { why: 'law-fell'; part: number }
  /** It falls by so many cents a day, though it is long past settling. */
  | { why: 'will-not-hold'; centsADay: number }
  /** It was drawn up by so many turns since its first days. */
  | { why: 'drawn-up'; turns: number }
  /** A snare side under hard playing (common practice, no source: three to six months). */
  | { why: 'age'; months: number }

export interface Condition {
  reasons: WornReason[]
  worn: boolean
  /** Worn or nearly so, and no spare of its size is in the box. */
  buy: boolean
}

/** Sittings of fewer turns tell nothing of the law, in turns of every rod. */
const LEAST_TURN = 1 / 24
/** So many estimates on either side tell that it fell. */
const LEAST_LAWS = 3
const FELL_TO = 0.7
/** A film settles for so long; what falls behind that is no settling. */
const SETTLED_DAYS = 45
const FAST_CENTS = 2
const LEAST_SPANS = 3
const DRAWN_TURNS = 1

/** What speaks for a new head, by its own record; @param nowMs for its age */
export function conditionOf(kit: KitState, film: FilmAge, nowMs: number): Condition {
  const { on, history } = film
  const reasons: WornReason[] = []
  if (on) {
    const found = openFindings(kit, on.drum.id, kit.simulated)
    for (const { finding, side } of found)
      if (side === on.side && WEARS.has(finding)) reasons.push({ why: 'found', finding })
    const { months, age } = snareHeadAge(on.drum[on.side].fittedOn, nowMs)
    if (on.drum.kind === 'snare' && on.side === 'resonant' && age === 'due')
      reasons.push({ why: 'age', months: Math.round(months!) })
  }
  const part = lawPart(history)
  if (part !== null && part < FELL_TO) reasons.push({ why: 'law-fell', part })
  const fall = fallADay(history, film)
  if (fall !== null && fall > FAST_CENTS) reasons.push({ why: 'will-not-hold', centsADay: fall })
  const drawn = drawnUp(history)
  if (drawn > DRAWN_TURNS) reasons.push({ why: 'drawn-up', turns: drawn })
  const spare = on ? sparesFor(kit, on.drum, on.side).length > 0 : true
  return { reasons, worn: reasons.length > 0, buy: reasons.length > 0 && !spare }
}

const WEARS: ReadonlySet<FindingId> = new Set(
  (Object.keys(FINDINGS) as FindingId[]).filter((id) => FINDINGS[id].endsWithHead === true),
)

/** What a turn does now, as a part of what it did at first; null where too few sittings tell. */
function lawPart(history: readonly PastSitting[]): number | null {
  const laws = history.flatMap((past) => {
    const turn = meanTurn(past)
    const { found, left } = past
    if (!found || !left || Math.abs(turn) < LEAST_TURN) return []
    const law = (left.hz ** 2 - found.hz ** 2) / turn
    return law > 0 ? [law] : []
  })
  if (laws.length < 2 * LEAST_LAWS) return null
  const middle = (all: number[]) => [...all].sort((a, b) => a - b)[Math.floor(all.length / 2)]
  const half = Math.floor(laws.length / 2)
  return middle(laws.slice(-half)) / middle(laws.slice(0, half))
}

/** Middle of what it fell a day between sittings, long after it was new; null where too few spans tell. */
function fallADay(history: readonly PastSitting[], { weeks, stints }: FilmAge): number | null {
  if (weeks === null && stints[0]?.from === null) return null
  const from = history[0] ? Date.parse(history[0].from) + SETTLED_DAYS * DAY_MS : 0
  const falls = history.slice(1).flatMap((past, i) => {
    const before = history[i].left ?? (history[i].turns === null ? history[i].found : null)
    const days = (Date.parse(past.from) - Date.parse(history[i].to)) / DAY_MS
    if (!before || !past.found || days < 0.5 || Date.parse(history[i].to) < from) return []
    return [-centsBetween(before.hz, past.found.hz) / days]
  })
  if (falls.length < LEAST_SPANS) return null
  return [...falls].sort((a, b) => a - b)[Math.floor(falls.length / 2)]
}

/** Turns up less turns down, behind the sitting in which it was tuned first. */
function drawnUp(history: readonly PastSitting[]): number {
  return history.slice(2).reduce((sum, past) => sum + meanTurn(past), 0)
}
