import { fittedNow } from '@/core/bench/standing'
import type { Sheet } from '@/core/log/sheets'
import { standingNow } from '@/core/sheets/compare'
import type { KitState } from '@/core/log/fold'
import type { SheetVersion } from '@/core/log/sheets'
import { targetFromFit, toleranceOf } from '@/core/bench/targets'
import { EVENING_VERSION } from '@/core/evening/even'
import { SIDES, type Aim, type Drum, type Side } from '@/core/records/kit'
import type { KitChange } from '@/core/records/event'
import type { SheetDrum } from '@/core/records/sheet'
import type { Session } from '../session'
import { currentView } from './readings'

/**
 * Keeps the fitted state of the head on the Bench as a target on a sheet of that name, new or known; the sheet becomes the one the kit is held against.
 * @returns false when the head has not been read
 */
export function keepOnSheet(
  session: Session,
  name: string,
  keepUneven: boolean,
  offsetTurns: readonly number[] | null = null,
): boolean {
  const view = currentView(session)
  const fit = view && fittedNow(view.head)
  if (!view || !fit) return false
  const { kit, drum, side, practice } = view
  const sheet = kit.sheets.find((each) => each.name === name)?.id ?? session.deps.newId()
  const tolerance = toleranceOf(drum, side, fit.meanHz)
  session.together(`keeping ${drum.name}, ${side}, on ${name}`, () => {
    session.append([
      {
        kind: 'sheetKept',
        drum: drum.id,
        side,
        sheet,
        name,
        target: targetFromFit(fit, tolerance, keepUneven, offsetTurns),
        source: practice ? 'practice' : 'hand',
        algorithm: EVENING_VERSION,
      },
    ])
    if (kit.sheet !== sheet) chooseSheet(session, sheet)
    setAim(session, drum, side, { kind: 'sheet' })
  })
  session.notify(`Kept ${drum.name}, ${side}, on ${name}.`, { undo: true })
  return true
}

/** The kit as it stands, in the form of a sheet. */
function standing(session: Session, kit: KitState): Map<string, SheetDrum> {
  const { clockMs } = session.get()
  return standingNow(kit, kit.simulated, clockMs)
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
  session.together(`the sheet ${name}`, () => {
    session.append([kitEdit({ what: 'sheetWritten', sheet, name, notes, drums })])
    if (session.kit()?.sheet !== sheet) chooseSheet(session, sheet)
    aimAtSheet(session, drums)
  })
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

/** Keeps a plan as a sheet: even heads at the planned pitches. */
export function keepPlan(
  session: Session,
  name: string,
  notes: string,
  placed: ReadonlyArray<{ id: string; batterHz: number; resonantHz: number; centreHz: number | null }>,
): void {
  const kit = session.kit()
  if (!kit) return
  const now = standing(session, kit)
  const drums = kit.drums.flatMap((drum): SheetDrum[] => {
    const own = placed.find(({ id }) => id === drum.id)
    if (!own) return []
    const target = (side: Side, meanHz: number) =>
      targetFromFit({ ...EVEN, meanHz }, toleranceOf(drum, side, meanHz), false)
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

export function chooseSheet(session: Session, sheet: string | null): void {
  edit(session, { what: 'sheetChosen', sheet })
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

/** A change of a kit as an event draft. */
export function kitEdit(change: KitChange) {
  return { kind: 'kitEdited' as const, change, source: 'hand' as const, algorithm: null }
}
