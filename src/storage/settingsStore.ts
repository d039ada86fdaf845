import type { Db } from './schema'

export interface SettingsStore {
  read(): Promise<unknown>
  write(settings: object): Promise<void>
}

/** One record of how a person works on this device. The reader checks what it gets. */
export function settingsStore(db: () => Promise<Db>): SettingsStore {
  return {
    read: async () => (await db()).get('settings', 'settings'),
    write: async (settings) => {
      await (await db()).put('settings', settings, 'settings')
    },
  }
}
