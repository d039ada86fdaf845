import { eventSchema, type HumbraEvent } from '@/core/records/event'
import { readKitFile, type KitFileResult } from '@/core/records/kitFile'
import { migrateEvent } from '@/core/records/migrations'
import { practiceStateSchema, type PracticeState } from '@/core/records/practice'
import { practisedSchema, type Practised } from '@/core/records/drill'
import { settingsSchema, type Settings } from '@/core/records/settings'

/**
 * What stands between the database and the app: everything that is read is checked, since an older form, a newer one or another
 * hand may have written it. The schemas are heavy; in the browser they live in a worker (`workers/guard`).
 */
export interface Guard {
  /** Each event in today's form, null where it cannot be read. */
  events(raw: readonly unknown[]): Promise<Array<HumbraEvent | null>>
  practice(raw: readonly unknown[]): Promise<Array<PracticeState | null>>
  practised(raw: readonly unknown[]): Promise<Array<Practised | null>>
  settings(raw: unknown): Promise<Settings | null>
  /** A kit file's text; what cannot be read comes back as a sentence. */
  kitFile(text: string): Promise<KitFileResult>
}

/** The checks themselves, wherever they run. */
export const CHECKS = {
  events: (raw: readonly unknown[]) =>
    raw.map((event) => {
      const parsed = eventSchema.safeParse(migrateEvent(event))
      return parsed.success ? parsed.data : null
    }),
  practice: (raw: readonly unknown[]) =>
    raw.map((state) => {
      const parsed = practiceStateSchema.safeParse(state)
      return parsed.success ? parsed.data : null
    }),
  practised: (raw: readonly unknown[]) =>
    raw.map((record) => {
      const parsed = practisedSchema.safeParse(record)
      return parsed.success ? parsed.data : null
    }),
  settings: (raw: unknown) => {
    const parsed = settingsSchema.safeParse(raw)
    return parsed.success ? parsed.data : null
  },
  kitFile: readKitFile,
}

/** The checks in this thread: for tests, for commands, and where the worker cannot be had. */
export const ownGuard: Guard = {
  events: (raw) => Promise.resolve(CHECKS.events(raw)),
  practice: (raw) => Promise.resolve(CHECKS.practice(raw)),
  practised: (raw) => Promise.resolve(CHECKS.practised(raw)),
  settings: (raw) => Promise.resolve(CHECKS.settings(raw)),
  kitFile: (text) => Promise.resolve(CHECKS.kitFile(text)),
}
