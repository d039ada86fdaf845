import type { Sheet } from '@/core/log/sheets'
import { drumStanding, standingNow } from '@/core/sheets/compare'
import type { KitState } from '@/core/log/fold'
import type { SheetVersion } from '@/core/log/sheets'
import { targetFromFit, toleranceOf } from '@/core/status/targets'
import { EVENING_VERSION } from '@/core/evening/even'
import { SIDES } from '@/core/records/plain'
import type { Aim, Drum, Side } from '@/core/records/kit'
import type { KitChange } from '@/core/records/event'
import { asKept } from '@/core/status/line'
import { drumLog } from '@/core/log/fold'
import type { Beside, SheetDrum } from '@/core/records/sheet'
import { hereOf } from '../here'
import type { Session } from '../session'
import { currentView } from '../currentView'
import { chooseSheet, kitEdit } from './edits'

/** What of the drum on the Bench is kept, and where. */
export interface Keeping {
  /** Of a sheet, new or known. */
  name: string
  /** Heads whose pitch becomes the sheet's, and whether their unevenness was meant. */
  heads: ReadonlyArray<{ side: Side; uneven: boolean }>
  /** The kit is held against that sheet from now on. */
  hold: boolean
}

/**
 * Keeps the drum on the Bench on a sheet: its heads as they stand, by pitch and by what the hand measured, and centre, ring, muffling
 * and wires as far as they are known.
 * @returns false when nothing is known of either head
 */
export function keepDrum(session: Session, { name, heads, hold }: Keeping): boolean {
  const view = currentView(session)
  // What was simulated enters no sheet of a drum of one's own.
  if (!view || (view.practice && !view.kit.simulated)) return false
  const { kit, drum, practice } = view
  const says = drumStanding(view.here, drum)
  const kept = heads.flatMap(({ side, uneven }) => {
    const [target, hand] = [says[side], says.hand?.[side]]
    if (!target && !hand) return []
    const own = target && { ...target, keepUneven: uneven && !target.offsetTurns }
    return [{ side, target: own, ...(hand ? { hand } : {}) }]
  })
  if (kept.length === 0) return false
  const sheet = idOf(session, name)
  const before = kit.sheets
    .find(({ id }) => id === sheet)
    ?.versions.at(-1)
    ?.drums.get(drum.id)
  const moved = kept.some(({ side, target }) => target && !asKept(before?.[side]?.meanHz, target.meanHz))
  const beside = besideOf(says, drumLog(kit, drum.id, practice).layers !== null, moved)
  const was = kit.sheet
  session.together(`keeping ${drum.name} on ${name}`, () => {
    session.append(
      kept.map((head) => ({
        ...{ kind: 'sheetKept' as const, drum: drum.id, sheet, name, beside, ...head },
        source: practice ? ('practice' as const) : ('hand' as const),
        algorithm: EVENING_VERSION,
      })),
    )
    if (hold && was !== sheet) chooseSheet(session, sheet)
    if (hold || was === sheet) for (const { side } of kept) setAim(session, drum, side, { kind: 'sheet' })
  })
  session.notify(`Kept ${drum.name} on ${name}.${heldText(session, was, name)}`, { undo: true })
  return true
}

/**
 * What is known beside the heads. What nobody knows is left as the sheet has it, but for a centre and its ring once a head moved:
 * they were of another tuning.
 */
function besideOf(says: SheetDrum, layersSaid: boolean, moved: boolean): Beside {
  const { centreHz, ringSeconds, layers, wires } = says
  return {
    ...(centreHz !== null || moved ? { centreHz } : {}),
    ...(ringSeconds === undefined ? {} : { ringSeconds }),
    ...(layersSaid ? { layers } : {}),
    ...(wires ? { wires } : {}),
  }
}

/** Said wherever the kit is held against another sheet than before: it changes what every place shows as off. */
function heldText(session: Session, was: string | null, name: string): string {
  return session.kit()?.sheet === was ? '' : ` The kit is held against ${name} now.`
}

/** The kit as it stands, in the form of a sheet. */
function standing(session: Session, kit: KitState): Map<string, SheetDrum> {
  return standingNow(hereOf(session.get(), kit))
}

/** Every head that the sheet speaks of is to be brought to it. */
export function aimAtSheet(session: Session, drums: Iterable<SheetDrum>): void {
  for (const says of drums) {
    const drum = session.kit()?.drums.find(({ id }) => id === says.drum)
    for (const side of SIDES) if (drum && says[side]) setAim(session, drum, side, { kind: 'sheet' })
  }
}

/** Writes a whole sheet: the id of a known one makes its next version. It becomes what the kit is held against. */
function write(session: Session, sheet: string, name: string, notes: string, drums: SheetDrum[]): void {
  const was = session.kit()?.sheet ?? null
  session.together(`the sheet ${name}`, () => {
    session.append([kitEdit({ what: 'sheetWritten', sheet, name, notes, drums })])
    if (was !== sheet) chooseSheet(session, sheet)
    aimAtSheet(session, drums)
  })
  session.notify(`Kept ${name}.${heldText(session, was, name)}`, { undo: true })
}

const idOf = (session: Session, name: string) =>
  session.kit()?.sheets.find((each) => each.name === name)?.id ?? session.deps.newId()

/** Keeps the whole kit as it was last read; @returns how many heads had never been read and are left open. */
export function keepKit(session: Session, name: string, notes: string): number {
  const kit = session.kit()
  if (!kit) return 0
  const drums = [...standing(session, kit).values()]
  write(session, idOf(session, name), name, notes, drums)
  return drums.flatMap((says) => SIDES.filter((side) => says[side] === null)).length
}

/** What a head of a sheet is to be where only pitches are known; null for a head without one. */
export interface Placed {
  id: string
  batterHz: number | null
  resonantHz: number | null
  centreHz: number | null
}

/** Keeps pitches as a sheet, planned or taken from a table: even heads at each. */
export function keepPlan(session: Session, name: string, notes: string, placed: readonly Placed[]): void {
  const kit = session.kit()
  if (!kit) return
  const now = standing(session, kit)
  const drums = kit.drums.flatMap((drum): SheetDrum[] => {
    const own = placed.find(({ id }) => id === drum.id)
    if (!own) return []
    const target = (side: Side, meanHz: number | null) =>
      meanHz === null ? null : targetFromFit({ ...EVEN, meanHz }, toleranceOf(drum, side, meanHz), false)
    return [
      {
        ...now.get(drum.id)!,
        centreHz: own.centreHz,
        batter: target('batter', own.batterHz),
        resonant: drum.oneHeaded ? null : target('resonant', own.resonantHz),
      },
    ]
  })
  write(session, idOf(session, name), name, notes, drums)
}

const EVEN = { meanErrorCents: 0, cosineCents: 0, sineCents: 0, waveErrorCents: 0 }

export function copySheet(session: Session, sheet: Sheet, name: string): void {
  const version = sheet.versions.at(-1)
  if (version) write(session, session.deps.newId(), name, version.notes, [...version.drums.values()])
}

/** An earlier version becomes the newest again. */
export function bringBack(session: Session, sheet: Sheet, version: SheetVersion): void {
  write(session, sheet.id, sheet.name, version.notes, [...version.drums.values()])
  session.notify(`${sheet.name} is as it was.`)
}

/** Words on a sheet: a version of its own. */
export function noteOnSheet(session: Session, sheet: Sheet, notes: string): void {
  const version = sheet.versions.at(-1)
  if (version) write(session, sheet.id, sheet.name, notes.slice(0, 2000), [...version.drums.values()])
}

export function archiveSheet(session: Session, sheet: Sheet, archived: boolean): void {
  edit(session, { what: 'sheetArchived', sheet: sheet.id, archived })
}

export function renameSheet(session: Session, sheet: string, name: string): void {
  edit(session, { what: 'sheetRenamed', sheet, name })
}

export function removeSheet(session: Session, sheet: string, name: string): void {
  edit(session, { what: 'sheetRemoved', sheet })
  session.notify(`Removed the sheet ${name}.`, { undo: true })
}

/** What the head is brought to from now on. */
export function setAim(session: Session, drum: Drum, side: Side, aim: Aim): void {
  const now = session.kit()?.aims.get(`${drum.id}/${side}`)
  if (JSON.stringify(now ?? { kind: 'sheet' }) === JSON.stringify(aim)) return
  edit(session, { what: 'aimSet', drum: drum.id, side, aim })
}

function edit(session: Session, change: KitChange): void {
  session.append([kitEdit(change)])
}
