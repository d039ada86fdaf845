import { z } from 'zod'
import { BACKUP_FORMAT, SCHEMA_VERSION } from './plain'
import { kitFileOf, type KitFile } from './kitFile'
import { practisedSchema, type Practised } from './drill'
import { settingsSchema, type Settings } from './settings'

const MOST_KITS = 500

/** Everything that is kept on one device: all kits with their logs, and how its owner works. */
export interface Backup {
  madeAt: string
  settings: Settings | null
  kits: KitFile[]
  /** What was done in Practice. */
  practised: Practised[]
}

export type BackupResult = { ok: true; backup: Backup } | { ok: false; why: string; details?: string }

const headSchema = z.object({
  format: z.literal(BACKUP_FORMAT),
  schema: z.int().min(1),
  madeAt: z.string(),
  settings: z.unknown().optional(),
  kits: z.array(z.unknown()).max(MOST_KITS),
  practised: z.array(z.unknown()).max(100_000).default([]),
})

/**
 * Reads a backup; every kit in it is a kit file of this form or an older one. One that cannot be read is named, and then nothing
 * is taken. Settings of another form are left out: a device's own serve as well.
 */
export function readBackup(raw: unknown): BackupResult {
  const head = headSchema.safeParse(raw)
  if (!head.success)
    return { ok: false, why: 'The backup is damaged: it could not be read to its end. Nothing was changed.' }
  const { schema, madeAt, kits } = head.data
  if (schema > SCHEMA_VERSION)
    return {
      ok: false,
      why: `This backup comes from a newer Humbra (form ${schema}, this one reads up to ${SCHEMA_VERSION}). Update Humbra and try again. Nothing was changed.`,
    }
  const read: KitFile[] = []
  for (const [i, kit] of kits.entries()) {
    const result = kitFileOf(kit)
    if (!result.ok) return { ...result, why: `Kit ${i + 1} of ${kits.length} in the backup: ${result.why}` }
    read.push(result.file)
  }
  const settings = settingsSchema.safeParse(head.data.settings)
  // A run that cannot be read is left out: it is nothing that a kit depends on.
  const practised = head.data.practised.flatMap((raw) => practisedSchema.safeParse(raw).data ?? [])
  return {
    ok: true,
    backup: { madeAt, settings: settings.success ? settings.data : null, kits: read, practised },
  }
}

export function writeBackup({ madeAt, settings, kits, practised }: Backup): string {
  return JSON.stringify({ format: BACKUP_FORMAT, schema: SCHEMA_VERSION, madeAt, settings, kits, practised })
}
