import { fileName, saveBlob } from './save'
import { writeKitFile } from '@/core/records/plain'
import type { KitFile, KitFileResult } from '@/core/records/kitFile'

const LARGEST_BYTES = 100 * 1024 * 1024

/** Reads a chosen kit file; what cannot be read comes back as a sentence. */
export async function readChosenKit(
  file: File,
  read: (text: string) => Promise<KitFileResult>,
): Promise<KitFileResult> {
  if (file.size > LARGEST_BYTES)
    return { ok: false, why: 'The file is larger than 100 MB: no kit file. Nothing was changed.' }
  return read(await file.text())
}

/** Hands the kit to the browser to save. */
export function saveKit(file: KitFile, name: string): void {
  saveBlob(kitBlob(file, 'application/json'), fileName(name, 'humbra.json'))
}

/** A kit file as it is written. */
export const kitBlob = (file: KitFile, type: string) => new Blob([writeKitFile(file)], { type })
