import { kitsFromLog } from '@/core/log/kitLog'
import { readBackup, writeBackup, type Backup } from '@/core/records/backup'
import type { KitFile } from '@/core/records/kitFile'
import { fileName, saveBlob } from '@/files/save'
import { filed } from '../filed'
import type { Session } from '../session'
import { kitFileWithTakes, takeKit, workThrough } from './files'
import { restoreKit } from './kits'
import { allPractised, takePractised } from './drills'

/** Everything kept on this device: all kits, those put away too, with sounds, and the settings. */
export async function backupOf(session: Session): Promise<Backup> {
  const { logs, settings } = session.get()
  const kits: KitFile[] = []
  for (const kit of logs.keys()) {
    const file = await kitFileWithTakes(session, kit)
    if (file.events.length) kits.push(file)
  }
  const practised = await allPractised(session)
  return { madeAt: new Date(session.deps.nowMs()).toISOString(), settings, kits, practised }
}

/** Saves the whole device as one file. */
export async function saveBackup(session: Session): Promise<void> {
  const backup = await backupOf(session)
  const day = backup.madeAt.slice(0, 10)
  saveBlob(
    new Blob([writeBackup(backup)], { type: 'application/json' }),
    fileName(`humbra ${day}`, 'backup.json'),
  )
  filed(
    session,
    backup.kits.map(({ kit }) => kit),
  )
  session.notify(`Saved ${countText(backup.kits.length)} and the settings in one file.`)
}

/**
 * Brings back what a backup holds: a kit that is not here comes in, one that is here gains the events it does not have. The settings
 * come along to a device that has none of its own kits yet. What is here is never taken away.
 */
export async function bringBack(session: Session, raw: unknown): Promise<void> {
  const result = readBackup(raw)
  if (!result.ok)
    return session.notify(result.why, {
      tone: 'caution',
      ...(result.details ? { details: result.details } : {}),
    })
  const { kits, settings, practised } = result.backup
  const fresh = !session.get().kits.some(({ simulated }) => !simulated)
  const unknown = new Map<string, KitFile['events']>()
  const numbers = new Set<string>()
  for (const file of kits) {
    const { fresh, taken } = await session.newHere(file.kit, file.events)
    const twice = taken[0] ?? file.events.find(({ id }) => numbers.has(id))?.id
    if (twice !== undefined)
      return session.notify(
        'The backup cannot be brought back: entries of one of its kits have numbers that another kit has. Nothing was changed.',
        { tone: 'caution', details: `kit ${file.kit}, id ${twice}` },
      )
    file.events.forEach(({ id }) => numbers.add(id))
    unknown.set(file.kit, fresh)
  }
  // What is here already was worked with here.
  const coming = kits.filter(({ kit }) => unknown.get(kit)!.length > 0)
  if (!(await workThrough(session, coming, 'The backup can be read, but not all of it worked with.'))) return
  session.together('bringing back a backup', () => {
    for (const file of kits) takeKit(session, file, unknown.get(file.kit)!)
    const { device } = session.get().settings
    if (fresh && settings) session.setSettings({ ...settings, device })
  })
  // What was put away here since the backup was made is wanted again.
  for (const file of kits)
    if (isThere(file) && !session.get().kits.some(({ id }) => id === file.kit))
      await restoreKit(session, file.kit)
  const newRuns = await takePractised(session, practised)
  if (!(await session.safe())) return
  const came = [...unknown.values()].filter(({ length }) => length > 0).length
  session.notify(
    came === 0 && newRuns === 0
      ? 'All of the backup is here already.'
      : `Brought back ${countText(kits.length)}.`,
  )
}

/** Its kit was not put away when the file was made. */
const isThere = ({ events }: KitFile) => kitsFromLog(events).length > 0

const countText = (kits: number) => (kits === 1 ? 'one kit' : `${kits} kits`)
