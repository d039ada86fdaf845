import { fittedOf } from '@/core/keeping/bench'
import { targetFromFit, toleranceOf } from '@/core/keeping/targets'
import { EVENING_VERSION } from '@/core/evening/even'
import type { Aim, Drum, Side } from '@/core/records/kit'
import type { KitChange } from '@/core/records/event'
import type { Session } from '../session'
import { currentView } from './readings'

/**
 * Keeps the fitted state of the head on the Bench as a target on a sheet of that name, new or known; the sheet becomes the one the kit is held against.
 * @returns false when the head has not been read
 */
export function keepOnSheet(session: Session, name: string, keepUneven: boolean): boolean {
  const view = currentView(session)
  const fit = view && fittedOf(view.head, view.sitting)
  if (!view || !fit) return false
  const { kit, drum, side, practice } = view
  const sheet = kit.sheets.find((each) => each.name === name)?.id ?? session.deps.newId()
  const { meanHz, meanErrorCents, cosineCents, sineCents, waveErrorCents } = fit
  const tolerance = toleranceOf(drum, side, meanHz)
  session.append([
    {
      kind: 'sheetKept',
      drum: drum.id,
      side,
      sheet,
      name,
      target: targetFromFit(
        { meanHz, meanErrorCents, cosineCents, sineCents, waveErrorCents },
        tolerance,
        keepUneven,
      ),
      source: practice ? 'practice' : 'hand',
      algorithm: EVENING_VERSION,
    },
  ])
  if (kit.sheet !== sheet) chooseSheet(session, sheet)
  setAim(session, drum, side, { kind: 'sheet' })
  session.notify(`Kept ${drum.name}, ${side}, on ${name}.`, { undo: true })
  return true
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
