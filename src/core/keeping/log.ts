import type { EventOf, HeadEvent, HumbraEvent, RunEvent } from '../records/event'
import type { Aim, Drum } from '../records/kit'
import { headKey } from './headKey'
import { keepOne, renamed, writeSheet, type Sheet } from './sheets'
import { withRunEvent, type Run } from './runs'

/** The state of all kits, as the log says. */
export interface KitState {
  id: string
  name: string
  /** Every drum of it is a practice drum: the demo. */
  simulated: boolean
  drums: Drum[]
  sheets: Sheet[]
  /** Sheet the kit is held against; null for none. */
  sheet: string | null
  /** Live events per head, oldest first. Keyed by `headKey`. */
  heads: Map<string, HeadEvent[]>
  aims: Map<string, Aim>
  /** Walks through the kit to a sheet, oldest first. */
  runs: Run[]
  /** Somebody else's, for a night. */
  borrowed: boolean
  /** Kept steps between toms, smallest drum first, by name. */
  schemes: Map<string, number[]>
}

export { headKey } from './headKey'

/** Events that still hold: those that no live `withdrawn` names. */
export function liveEvents(log: readonly HumbraEvent[]): HumbraEvent[] {
  const dead = new Set<string>()
  for (let i = log.length - 1; i >= 0; i--) {
    const event = log[i]
    if (event.kind === 'withdrawn' && !dead.has(event.id)) dead.add(event.event)
  }
  return log.filter((event) => !dead.has(event.id))
}

/** Kits in the order in which they were made. */
export function kitsFromLog(log: readonly HumbraEvent[]): KitState[] {
  const kits = new Map<string, KitState>()
  for (const event of liveEvents(log)) {
    if (event.kind === 'withdrawn') continue
    if (event.kind === 'kitEdited') {
      applyChange(kits, event)
      continue
    }
    const kit = kits.get(event.kit)
    if (!kit) continue
    if (isRunEvent(event)) {
      kit.runs = withRunEvent(kit.runs, event)
      continue
    }
    const key = headKey(event.drum, event.side)
    if (event.kind === 'sheetKept') {
      kit.sheets = keepOne(kit.sheets, event, kit.drums)
      kit.sheet ??= event.sheet
    } else {
      kit.heads.set(key, [...(kit.heads.get(key) ?? []), event])
      if (event.kind === 'headFitted') {
        kit.drums = kit.drums.map((drum) =>
          drum.id === event.drum ? { ...drum, [event.side]: event.head } : drum,
        )
      }
    }
  }
  return [...kits.values()]
}

const isRunEvent = (event: HumbraEvent): event is RunEvent =>
  event.kind === 'runStarted' || event.kind === 'runLeft' || event.kind === 'runEnded'

function applyChange(
  kits: Map<string, KitState>,
  { kit: id, at, id: event, change }: EventOf<'kitEdited'>,
): void {
  if (change.what === 'kitMade') {
    kits.set(id, {
      id,
      name: change.name,
      simulated: change.simulated,
      drums: [],
      sheets: [],
      sheet: null,
      heads: new Map(),
      aims: new Map(),
      runs: [],
      borrowed: change.borrowed ?? false,
      schemes: new Map(),
    })
    return
  }
  const kit = kits.get(id)
  if (!kit) return
  switch (change.what) {
    case 'kitRenamed':
      kit.name = change.name
      break
    case 'kitRemoved':
      kits.delete(id)
      break
    case 'kitKept':
      kit.borrowed = false
      break
    case 'schemeKept':
      if (change.cents.length) kit.schemes.set(change.name, change.cents)
      else kit.schemes.delete(change.name)
      break
    case 'drumAdded': {
      const at =
        change.after === null ? kit.drums.length : kit.drums.findIndex(({ id }) => id === change.after) + 1
      kit.drums.splice(at, 0, change.drum)
      break
    }
    case 'drumChanged':
      kit.drums = kit.drums.map((drum) => (drum.id === change.drum.id ? change.drum : drum))
      break
    case 'drumRemoved':
      kit.drums = kit.drums.filter((drum) => drum.id !== change.drum)
      break
    case 'drumsOrdered': {
      const place = (drum: Drum) => {
        const at = change.order.indexOf(drum.id)
        return at < 0 ? change.order.length : at
      }
      kit.drums = [...kit.drums].sort((a, b) => place(a) - place(b))
      break
    }
    case 'aimSet':
      kit.aims.set(headKey(change.drum, change.side), change.aim)
      break
    case 'sheetChosen':
      kit.sheet = change.sheet
      break
    case 'sheetRenamed':
      kit.sheets = renamed(kit.sheets, change.sheet, { name: change.name })
      break
    case 'sheetArchived':
      kit.sheets = renamed(kit.sheets, change.sheet, { archived: change.archived })
      if (change.archived && kit.sheet === change.sheet) kit.sheet = null
      break
    case 'sheetWritten':
      kit.sheets = writeSheet(kit.sheets, change, at, event)
      kit.sheet ??= change.sheet
      break
    case 'sheetRemoved':
      kit.sheets = kit.sheets.filter((sheet) => sheet.id !== change.sheet)
      if (kit.sheet === change.sheet) kit.sheet = kit.sheets[0]?.id ?? null
      break
  }
}

/** The newest event of a kit that can be undone; null when there is none. */
export function undoable(log: readonly HumbraEvent[], kit: string): HumbraEvent | null {
  return (
    liveEvents(log.filter((event) => event.kit === kit))
      .filter((event) => event.kind !== 'withdrawn')
      .at(-1) ?? null
  )
}

/** The newest undo of a kit that can be taken back: none once something new has happened. */
export function redoable(log: readonly HumbraEvent[], kit: string): EventOf<'withdrawn'> | null {
  const own = log.filter((event) => event.kit === kit)
  const byId = new Map(own.map((event) => [event.id, event]))
  const live = new Set(liveEvents(own).map((event) => event.id))
  for (let i = own.length - 1; i >= 0; i--) {
    const event = own[i]
    if (event.kind !== 'withdrawn') return null
    // Undos of undos (redos) are passed over, so that several steps can be taken back in turn.
    if (live.has(event.id) && byId.get(event.event)?.kind !== 'withdrawn') return event
  }
  return null
}

export type { HeadEvent, Sheet }
