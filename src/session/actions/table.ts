import { saidDrum } from '@/text/sizes'
import type { TableRow } from '@/text/table'
import type { Session } from '../session'
import { makeOwnKit } from './kits'
import { keepPlan } from './sheets'

/** The rows that mean drums of this kit become a sheet of it. */
export function sheetFromTable(session: Session, name: string, rows: readonly TableRow[]): void {
  const placed = rows.flatMap(({ drum, batterHz, resonantHz }) =>
    drum ? [{ id: drum, batterHz, resonantHz, centreHz: null }] : [],
  )
  session.set({ waitingTable: null })
  keepPlan(session, name, 'From a table.', placed)
}

/** The rows that tell a size become a kit of their own, with a sheet of their pitches. */
export function kitFromTable(session: Session, name: string, rows: readonly TableRow[]): void {
  const made = rows.flatMap(({ name: drumName, said, batterHz, resonantHz }) => {
    if (!said) return []
    const drum = { ...saidDrum(said, session.deps.newId()), name: drumName.slice(0, 40) }
    return [{ drum, placed: { id: drum.id, batterHz, resonantHz, centreHz: null } }]
  })
  session.set({ waitingTable: null })
  session.together(`making ${name} from a table`, () => {
    makeOwnKit(
      session,
      made.map(({ drum }) => drum),
      session.get().settings.source,
      name,
    )
    keepPlan(
      session,
      `${name} as written`,
      'From a table.',
      made.map(({ placed }) => placed),
    )
  })
}
