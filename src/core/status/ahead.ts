import type { Judged } from '../evening/verdict'
import type { Learned } from '../head/types'
import { EMPTY_HEAD, SittingLog } from '../log/headLog'
import { sidesOf } from '../records/plain'
import type { HeadEvent } from '../records/event'
import type { Drum } from '../records/kit'
import { figuresOf, pitchAlone } from './head'
import { handOf, headAtHand, tellingSittings, type HeadAtHand, type Here } from './inputs'
import { learnedBefore } from './learned'

/** A drum's heads as they go to another thread, to be worked out before a place shows them. */
export interface Past {
  drum: Drum
  nowMs: number
  heads: Array<
    Pick<HeadAtHand, 'side' | 'findings' | 'aim' | 'kept' | 'gauge'> & {
      older: ReadonlyArray<readonly HeadEvent[]>
      sittings: ReadonlyArray<readonly HeadEvent[]>
    }
  >
}

/** What was worked out of a head: what its sittings taught, by place, and where it stands, by itself and beside the other. */
export type Believed = Array<{ learned: Array<Learned | null>; alone: Judged; told: Judged } | null>

/** Null where a drum has no past. */
export function pastOf(here: Here, drum: Drum): Past | null {
  const heads = sidesOf(drum).map((side) => headAtHand(here, drum, side))
  if (heads.every(({ log }) => log.sittings.length + log.older.length === 0)) return null
  const eventsOf = (all: readonly SittingLog[]) => all.map(({ events }) => events)
  return {
    ...{ drum, nowMs: here.nowMs },
    heads: heads.map(({ side, findings, aim, kept, gauge: { gaugeLaw, gaugeError, scatter }, log }) => ({
      ...{ side, findings, aim, kept, gauge: { gaugeLaw, gaugeError, scatter } },
      ...{ older: eventsOf(log.older), sittings: eventsOf(log.sittings) },
    })),
  }
}

/** What every place asks of a drum's past. */
export function believe({ drum, nowMs, heads }: Past): Believed {
  const logs = (all: ReadonlyArray<readonly HeadEvent[]>) => all.map((events) => SittingLog.of(events))
  const hands = heads.map(({ side, older, sittings, ...given }) =>
    handOf({ ...EMPTY_HEAD, older: logs(older), sittings: logs(sittings) }, drum, side, {
      ...given,
      keptHand: null,
      nowMs,
    }),
  )
  return hands.map((head, i) => {
    const telling = tellingSittings(head)
    if (telling.length === 0) return null
    const other = hands.length > 1 ? pitchAlone(hands[1 - i]) : null
    return {
      learned: taught(head).map((at) => learnedBefore(head.log, drum, head.side, at)),
      ...{ alone: figuresOf(head, telling, null), told: figuresOf(head, telling, other) },
    }
  })
}

/** Keeps with the heads' logs what was worked out of them elsewhere. */
export function remember(here: Here, drum: Drum, believed: Believed): void {
  const hands = sidesOf(drum).map((side) => headAtHand(here, drum, side))
  const all = hands.map((head, i) => ({ head, telling: tellingSittings(head), found: believed[i] }))
  for (const { head, telling, found } of all) {
    if (!found || telling.length === 0) continue
    taught(head).forEach((at, i) => learnedBefore(head.log, drum, head.side, at, () => found.learned[i]))
    figuresOf(head, telling, null, () => found.alone)
  }
  all.forEach(({ head, telling, found }, i) => {
    const other = all[1 - i]?.found?.alone.meanHz ?? null
    if (found && telling.length > 0) figuresOf(head, telling, other, () => found.told)
  })
}

/** The places up to which a head's sittings are asked what they taught. */
function taught(head: HeadAtHand): number[] {
  const { sittings } = head.log
  return [...new Set([sittings.indexOf(tellingSittings(head)[0]), sittings.length - (head.sitting ? 1 : 0)])]
}
