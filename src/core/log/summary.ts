import type { EventOf, HeadEvent } from '../records/event'
import type { DrumLog, LugsThen } from './drumLog'
import { StrokeLog, type HeadsThen } from './drumLog'
import type { KitState, Worlds } from './fold'
import { SittingLog, type HeadLog } from './headLog'
import type { KitLog } from './kitLog'
import type { Moment } from './order'

/**
 * The folded state of a kit up to a place, in plain values for a database to keep: so that opening a kit reads what came after
 * it and no more. A cache: it may be thrown away at any time and is then folded anew from the log.
 */
export interface Summary {
  kit: string
  /** Of the fold and of what it keeps: another one is not read. */
  version: number
  /** The last entry that it holds, and how many they are. */
  end: Moment
  count: number
  /** Up to this place of the database all that was there is in it or came after it. */
  place: number
  /** Ids of later withdrawals that it already heeds. */
  settled: string[]
  /** Null where the kit was removed by then. */
  state: PackedKit | null
}

/** Raised with every change of the fold, or of the estimates whose answers strokes keep. */
const SUMMARY_VERSION = 4

type PackedKit = Omit<KitState, 'heads' | 'struck' | 'shelf'> & {
  shelf: Map<string, Array<readonly HeadEvent[]>>
  heads: Map<string, Worlds<PackedHead>>
  struck: Map<string, Worlds<PackedDrum>>
}
type PackedHead = Omit<HeadLog, 'sittings' | 'older'> & {
  sittings: Array<readonly HeadEvent[]>
  older: Array<readonly HeadEvent[]>
}
type PackedStroke = LugsThen & {
  event: EventOf<'centreRead'>
  layers: StrokeLog['layers']
  words: readonly string[]
}
type PackedDrum = Omit<DrumLog, 'strokes'> & { strokes: PackedStroke[] }

/**
 * @param place up to which the database was read
 * @param estimate where both heads stood at a stroke: kept with it, since the events behind it are not
 * @returns null where the log has no base yet
 */
export function summaryOf(
  { id, base, baseEnd, baseCount, settled }: KitLog,
  place: number,
  estimate: (then: HeadsThen) => LugsThen,
): Summary | null {
  if (!baseEnd) return null
  const { at, nth } = baseEnd
  return {
    ...{ kit: id, version: SUMMARY_VERSION, place, count: baseCount, settled: [...settled] },
    end: { at, id: baseEnd.id, ...(nth === undefined ? {} : { nth }) },
    state: base && packed(base, estimate),
  }
}

/** The kit's state in plain values, as two folds of one log are compared. */
export function packed(kit: KitState, estimate: (then: HeadsThen) => LugsThen): PackedKit {
  const head = (log: HeadLog): PackedHead => ({
    ...log,
    sittings: log.sittings.map(({ events }) => events),
    older: log.older.map(({ events }) => events),
  })
  const stroke = (log: StrokeLog): PackedStroke => ({
    ...{ event: log.event, layers: log.layers, words: log.words },
    ...log.lugs(estimate),
  })
  const drum = (log: DrumLog): PackedDrum => ({ ...log, strokes: log.strokes.map(stroke) })
  const shelf = new Map([...kit.shelf].map(([film, all]) => [film, all.map(({ events }) => events)]))
  return { ...kit, shelf, heads: inEach(kit.heads, head), struck: inEach(kit.struck, drum) }
}

/** The log up to where a summary was made; null where that is of another version or not what it was written as. */
export function logOfSummary(summary: Summary): KitLog | null {
  const base = stateOf(summary)
  if (base === undefined) return null
  const { kit: id, end: baseEnd, count: baseCount, settled } = summary
  return { id, base, baseEnd, baseCount, settled: new Set(settled), tail: [], kit: base }
}

function stateOf({ version, state }: Summary): KitState | null | undefined {
  if (version !== SUMMARY_VERSION) return undefined
  if (!state) return null
  const sittings = (kept: ReadonlyArray<readonly HeadEvent[]>) => kept.map((events) => SittingLog.of(events))
  const head = (log: PackedHead): HeadLog => ({
    ...log,
    sittings: sittings(log.sittings),
    older: sittings(log.older),
  })
  const drum = (log: PackedDrum): DrumLog => ({
    ...log,
    strokes: log.strokes.map(
      ({ event, layers, words, batterHz, resonantHz }) =>
        new StrokeLog(event, layers, words, { batterHz, resonantHz }),
    ),
  })
  try {
    const shelf = new Map([...state.shelf].map(([film, kept]) => [film, sittings(kept)]))
    return { ...state, shelf, heads: inEach(state.heads, head), struck: inEach(state.struck, drum) }
  } catch {
    return undefined
  }
}

function inEach<From, To>(
  logs: ReadonlyMap<string, Worlds<From>>,
  turn: (log: From) => To,
): Map<string, Worlds<To>> {
  return new Map(
    [...logs].map(([key, { real, practice }]) => [key, { real: turn(real), practice: turn(practice) }]),
  )
}
