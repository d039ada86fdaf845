import type { Settings } from '@/core/records/settings'
import type { Guard } from './guard'
import type { Db } from './schema'

export interface SettingsStore {
  /** Null where there are none, or none that can be read. */
  read(): Promise<Settings | null>
}

/** One record of how a person works on this device; written with the act that changed it (`eventLog`). */
export function settingsStore(db: () => Promise<Db>, guard: Guard): SettingsStore {
  return {
    async read() {
      const raw = await (await db()).get('settings', 'settings')
      return raw === undefined ? null : guard.settings(raw)
    },
  }
}
