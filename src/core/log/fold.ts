import type { EventOf, HeadEvent, HumbraEvent, OtherHead, RunEvent } from '../records/event'
import { SIDES } from '../records/plain'
import type { Aim, Drum, Side } from '../records/kit'
import { EMPTY_DIARY, isDiaryEvent, withDiaryEvent, type Diary } from './diary'
import { EMPTY_DRUM, withDrumEvent, type DrumLog } from './drumLog'
import { headKey } from './headKey'
import {
  EMPTY_HEAD,
  filmId,
  filmOn,
  withHeadEvent,
  withoutFilm,
  type HeadLog,
  type SittingLog,
} from './headLog'
import { withRunEvent, type Run } from './runs'
import { keepOne, renamed, writeSheet, type Sheet } from './sheets'

/** Practice and real readings of one drum are two stories: what is simulated never mixes with what was heard. */
export interface Worlds<Log> {
  real: Log
  practice: Log
}

/** The state of a kit, as its log says. It is folded event by event and never changed (`withEvent`). */
export interface KitState {
  readonly id: string
  readonly name: string
  /** Every drum of it is a practice drum: the demo. */
  readonly simulated: boolean
  readonly drums: readonly Drum[]
  readonly sheets: readonly Sheet[]
  /** Sheet the kit is held against; null for none. */
  readonly sheet: string | null
  /** Keyed by `headKey`. Ask with `headLog`. */
  readonly heads: ReadonlyMap<string, Worlds<HeadLog>>
  /** Keyed by drum id. Ask with `drumLog`. */
  readonly struck: ReadonlyMap<string, Worlds<DrumLog>>
  /** What was last said of the head across from each, keyed by `headKey`. */
  readonly otherHeads: ReadonlyMap<string, OtherHead>
  readonly aims: ReadonlyMap<string, Aim>
  /** Walks through the kit to a sheet, oldest first. */
  readonly runs: readonly Run[]
  /** Somebody else's, for a night. */
  readonly borrowed: boolean
  /** Whose it is and what for; empty where nobody said. */
  readonly owner: string
  readonly job: string
  readonly archived: boolean
  /** Kept steps between toms, smallest drum first, by name. */
  readonly schemes: ReadonlyMap<string, number[]>
  /** Gigs, notes, weather, and the heads in the box. */
  readonly diary: Diary
  /** The newest sittings of films that came off, by film: what they taught goes with them. */
  readonly shelf: ReadonlyMap<string, readonly SittingLog[]>
}

export { headKey } from './headKey'

/** One head's log in the world asked for; a simulated kit has one world. */
export function headLog(
  { heads, simulated }: Pick<KitState, 'heads' | 'simulated'>,
  drum: string,
  side: Side,
  practice: boolean,
): HeadLog {
  const worlds = heads.get(headKey(drum, side))
  return (practice && !simulated ? worlds?.practice : worlds?.real) ?? EMPTY_HEAD
}

/** One drum's log in the world asked for. */
export function drumLog({ struck, simulated }: KitState, drum: string, practice: boolean): DrumLog {
  const worlds = struck.get(drum)
  return (practice && !simulated ? worlds?.practice : worlds?.real) ?? EMPTY_DRUM
}

const isRunEvent = (event: HumbraEvent): event is RunEvent =>
  event.kind === 'runStarted' || event.kind === 'runLeft' || event.kind === 'runEnded'

/** The kit after one more event that holds; null before it was made and after it was removed. */
export function withEvent(kit: KitState | null, event: HumbraEvent): KitState | null {
  if (event.kind === 'withdrawn') return kit
  if (event.kind === 'kitEdited') return withChange(kit, event)
  if (!kit) return null
  if (isRunEvent(event)) return { ...kit, runs: withRunEvent(kit.runs, event) }
  if (isDiaryEvent(event)) return { ...kit, diary: withDiaryEvent(kit.diary, event) }
  if (event.kind === 'sheetKept')
    return { ...kit, sheets: keepOne(kit.sheets, event, kit.drums), sheet: kit.sheet ?? event.sheet }
  return withHead(kit, event)
}

/** By the event: a log folded anew has the same drum, and all that was worked out for it. */
const fittedBy = new WeakMap<EventOf<'headFitted'>, { before: Drum; after: Drum }>()

function fitted(before: Drum, event: EventOf<'headFitted'>): Drum {
  const known = fittedBy.get(event)
  if (known?.before === before) return known.after
  const after = { ...before, [event.side]: event.head }
  fittedBy.set(event, { before, after })
  return after
}

function withHead(kit: KitState, event: HeadEvent): KitState {
  const key = headKey(event.drum, event.side)
  const lugs = lugsOf(kit, event.drum)
  const before = kit.heads.get(key) ?? NO_HEADS
  const heads = new Map(kit.heads).set(
    key,
    inWorlds(kit, event, before, (head) => withHeadEvent(head, event, lugs)),
  )
  const shelf = event.kind === 'headFitted' ? changedFilm(kit, event, key, heads) : kit.shelf
  const drums =
    event.kind === 'headFitted'
      ? kit.drums.map((drum) => (drum.id === event.drum ? fitted(drum, event) : drum))
      : kit.drums
  const next = { ...kit, heads, drums, shelf }
  if (event.kind === 'otherHeadSet') next.otherHeads = new Map(kit.otherHeads).set(key, event.state)
  const drum = drums.find(({ id }) => id === event.drum)
  if (!drum) return next
  const struck = kit.struck.get(event.drum) ?? { real: EMPTY_DRUM, practice: EMPTY_DRUM }
  const after = inWorlds(kit, event, struck, (log, practice) =>
    withDrumEvent(log, event, {
      drum,
      heads: Object.fromEntries(
        SIDES.map((side) => [side, headLog(next, drum.id, side, practice)]),
      ) as Record<Side, HeadLog>,
    }),
  )
  if (after.real !== struck.real || after.practice !== struck.practice)
    next.struck = new Map(kit.struck).set(event.drum, after)
  return next
}

const NO_HEADS: Worlds<HeadLog> = { real: EMPTY_HEAD, practice: EMPTY_HEAD }
const lugsOf = ({ drums }: KitState, id: string) => drums.find((drum) => drum.id === id)?.lugs

/** A film came off and another one on: what they taught goes with them, also to another drum. */
function changedFilm(
  kit: KitState,
  event: EventOf<'headFitted'>,
  key: string,
  heads: Map<string, Worlds<HeadLog>>,
): KitState['shelf'] {
  const off = kit.heads.get(key)?.real ?? EMPTY_HEAD
  const taught = (log: HeadLog) => [...log.older, ...log.sittings].slice(-SHELF_KEPT)
  const shelf = new Map(kit.shelf).set(filmId(filmOn(off), key), taught(off))
  if (event.film === undefined) return shelf
  for (const [other, worlds] of kit.heads) {
    if (other === key || filmOn(worlds.real) !== event.film) continue
    shelf.set(event.film, taught(worlds.real))
    heads.set(other, {
      ...worlds,
      real: withoutFilm(worlds.real, event, lugsOf(kit, other.slice(0, other.lastIndexOf('/'))) ?? 24),
    })
  }
  const older = shelf.get(event.film)
  const now = heads.get(key)!
  if (older?.length) heads.set(key, { ...now, real: { ...now.real, older } })
  return shelf
}

const SHELF_KEPT = 4

/** Folds the event into the world that it belongs to; a fitted head is one in both. */
function inWorlds<Log>(
  { simulated }: KitState,
  event: HeadEvent,
  { real, practice }: Worlds<Log>,
  fold: (log: Log, practice: boolean) => Log,
): Worlds<Log> {
  const simulatedEvent = event.source === 'practice'
  const both = event.kind === 'headFitted' && !simulated
  return {
    real: simulated || both || !simulatedEvent ? fold(real, false) : real,
    practice: !simulated && (both || simulatedEvent) ? fold(practice, true) : practice,
  }
}

function withChange(
  kit: KitState | null,
  { kit: id, at, id: event, change }: EventOf<'kitEdited'>,
): KitState | null {
  if (change.what === 'kitMade') {
    return {
      id,
      name: change.name,
      simulated: change.simulated,
      drums: [],
      sheets: [],
      sheet: null,
      heads: new Map(),
      struck: new Map(),
      otherHeads: new Map(),
      aims: new Map(),
      runs: [],
      borrowed: change.borrowed ?? false,
      ...{ owner: '', job: '', archived: false },
      schemes: new Map(),
      diary: EMPTY_DIARY,
      shelf: new Map(),
    }
  }
  if (!kit) return null
  switch (change.what) {
    case 'kitRenamed':
      return { ...kit, name: change.name }
    case 'kitRemoved':
      return null
    case 'kitKept':
      return { ...kit, borrowed: false }
    case 'kitFiled':
      return { ...kit, owner: change.owner, job: change.job }
    case 'kitArchived':
      return { ...kit, archived: change.archived }
    case 'schemeKept': {
      const schemes = new Map(kit.schemes)
      if (change.cents.length) schemes.set(change.name, change.cents)
      else schemes.delete(change.name)
      return { ...kit, schemes }
    }
    case 'drumAdded': {
      const after = kit.drums.findIndex(({ id }) => id === change.after)
      const place = change.after === null ? kit.drums.length : after + 1
      return { ...kit, drums: [...kit.drums.slice(0, place), change.drum, ...kit.drums.slice(place)] }
    }
    case 'drumChanged':
      return { ...kit, drums: kit.drums.map((drum) => (drum.id === change.drum.id ? change.drum : drum)) }
    case 'drumRemoved':
      return { ...kit, drums: kit.drums.filter((drum) => drum.id !== change.drum) }
    case 'drumsOrdered': {
      const place = (drum: Drum) => {
        const at = change.order.indexOf(drum.id)
        return at < 0 ? change.order.length : at
      }
      return { ...kit, drums: [...kit.drums].sort((a, b) => place(a) - place(b)) }
    }
    case 'aimSet':
      return { ...kit, aims: new Map(kit.aims).set(headKey(change.drum, change.side), change.aim) }
    case 'sheetChosen':
      return { ...kit, sheet: change.sheet }
    case 'sheetRenamed':
      return { ...kit, sheets: renamed(kit.sheets, change.sheet, { name: change.name }) }
    case 'sheetArchived':
      return {
        ...kit,
        sheets: renamed(kit.sheets, change.sheet, { archived: change.archived }),
        sheet: change.archived && kit.sheet === change.sheet ? null : kit.sheet,
      }
    case 'sheetWritten':
      return {
        ...kit,
        sheets: writeSheet(kit.sheets, change, at, event),
        sheet: kit.sheet ?? change.sheet,
      }
    case 'sheetRemoved': {
      const sheets = kit.sheets.filter((sheet) => sheet.id !== change.sheet)
      return { ...kit, sheets, sheet: kit.sheet === change.sheet ? (sheets[0]?.id ?? null) : kit.sheet }
    }
  }
}

export type { Sheet }
