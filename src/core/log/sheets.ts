import { SITTING_GAP_MS } from './sittings'
import type { EventOf, KitChange } from '../records/event'
import { SIDES } from '../records/plain'
import type { Drum, Target } from '../records/kit'
import type { SheetDrum } from '../records/sheet'
import { headKey } from './headKey'

/** A sheet's state at one time: what every drum of it is to be. */
export interface SheetVersion {
  /** Id of the event that made it. */
  id: string
  at: string
  notes: string
  /** By drum id. */
  drums: Map<string, SheetDrum>
}

export interface Sheet {
  id: string
  name: string
  archived: boolean
  /** Newest target per head, and when it was kept. Keyed by `headKey`. */
  targets: Map<string, { target: Target; at: string }>
  /** Oldest first; the last is what the sheet says now. */
  versions: SheetVersion[]
}

type Written = Extract<KitChange, { what: 'sheetWritten' }>

export function renamed(
  sheets: readonly Sheet[],
  id: string,
  change: Partial<Pick<Sheet, 'name' | 'archived'>>,
): Sheet[] {
  return sheets.map((sheet) => (sheet.id === id ? { ...sheet, ...change } : sheet))
}

/** A whole sheet written at once: new, or the next version of a known one. */
export function writeSheet(
  sheets: readonly Sheet[],
  { sheet: id, name, notes, drums }: Written,
  at: string,
  event: string,
): Sheet[] {
  const version = { id: event, at, notes, drums: new Map(drums.map((drum) => [drum.drum, drum])) }
  const known = sheets.find((sheet) => sheet.id === id)
  const versions = [...(known?.versions ?? []), version]
  const next = { id, name, archived: known?.archived ?? false, versions, targets: targetsOf(version) }
  return known ? sheets.map((sheet) => (sheet === known ? next : sheet)) : [...sheets, next]
}

function targetsOf({ drums, at }: SheetVersion): Sheet['targets'] {
  const entries = [...drums.values()].flatMap((drum) =>
    SIDES.flatMap((side) => {
      const target = drum[side]
      return target ? [[headKey(drum.drum, side), { target, at }] as const] : []
    }),
  )
  return new Map(entries)
}

/** One head kept: it joins the sheet's newest version while that is of the same sitting, else begins one of its own. */
export function keepOne(
  sheets: readonly Sheet[],
  event: EventOf<'sheetKept'>,
  kitDrums: readonly Drum[],
): Sheet[] {
  const known = sheets.find(({ id }) => id === event.sheet)
  const last = known?.versions.at(-1)
  // Heads kept one by one in a sitting at the kit make one version.
  const same = last && Date.parse(event.at) - Date.parse(last.at) < SITTING_GAP_MS
  const drums = new Map(last?.drums)
  const own = drums.get(event.drum) ?? emptySheetDrum(event.drum, kitDrums)
  if (own)
    drums.set(
      event.drum,
      withHand({ ...withBeside(own, event, kitDrums), [event.side]: event.target }, event),
    )
  const version = {
    id: same ? last.id : event.id,
    at: same ? last.at : event.at,
    notes: last?.notes ?? '',
    drums,
  }
  const before = known?.versions ?? []
  const targets = new Map(known?.targets)
  const key = headKey(event.drum, event.side)
  if (event.target) targets.set(key, { target: event.target, at: event.at })
  else targets.delete(key)
  const next: Sheet = {
    id: event.sheet,
    name: known?.name ?? event.name,
    archived: known?.archived ?? false,
    versions: [...(same ? before.slice(0, -1) : before), version],
    targets,
  }
  return known ? sheets.map((sheet) => (sheet === known ? next : sheet)) : [...sheets, next]
}

function withHand(own: SheetDrum, { side, hand }: EventOf<'sheetKept'>): SheetDrum {
  const { hand: before, ...rest } = own
  const all = { ...before, ...(hand ? { [side]: hand } : {}) }
  if (!hand) delete all[side]
  return Object.keys(all).length ? { ...rest, hand: all } : rest
}

/** What was kept with the whole drum, and the heads that were on. A ring is of its centre: with another one the old is gone. */
function withBeside(
  own: SheetDrum,
  { drum: id, beside }: EventOf<'sheetKept'>,
  drums: readonly Drum[],
): SheetDrum {
  if (!beside) return own
  const { ringSeconds, ...rest } = own
  const drum = drums.find((each) => each.id === id)
  return {
    ...rest,
    ...(beside.centreHz === undefined && ringSeconds !== undefined ? { ringSeconds } : {}),
    ...beside,
    heads: drum ? { batter: drum.batter, resonant: drum.resonant } : own.heads,
  }
}

function emptySheetDrum(id: string, drums: readonly Drum[]): SheetDrum | null {
  const drum = drums.find((each) => each.id === id)
  if (!drum) return null
  const { batter, resonant } = drum
  return {
    ...{ drum: id, batter: null, resonant: null, centreHz: null, layers: [], wires: null },
    heads: { batter, resonant },
  }
}
