import type { KitLog } from '@/core/log/kitLog'
import type { Settings } from '@/core/records/settings'
import type { Session } from './session'

/** Acts of a kit that are in no file yet. */
export interface NotInFile {
  count: number
  /** There are more than can be counted here. */
  more: boolean
  /** When it was last put into a file; null where it never was. */
  filedAt: string | null
}

export function notInFile(log: KitLog, { filed }: Pick<Settings, 'filed'>): NotInFile {
  const filedAt = filed[log.id] ?? null
  const since = log.tail.filter(({ at }) => filedAt === null || at > filedAt).length
  return { count: since, more: log.baseCount > 0 && since === log.tail.length, filedAt }
}

/** Notes that kits are in a file now. */
export function filed(session: Session, kits: readonly string[]): void {
  const at = new Date(session.deps.nowMs()).toISOString()
  const { settings } = session.get()
  session.setSettings({ filed: { ...settings.filed, ...Object.fromEntries(kits.map((kit) => [kit, at])) } })
}
