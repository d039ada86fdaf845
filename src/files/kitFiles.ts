import { readKitFile, writeKitFile, type KitFile, type KitFileResult } from '@/core/records/kitFile'

const LARGEST_BYTES = 100 * 1024 * 1024

/** Reads a chosen kit file; what cannot be read comes back as a sentence. */
export async function readChosenKit(file: File): Promise<KitFileResult> {
  if (file.size > LARGEST_BYTES)
    return { ok: false, why: 'The file is larger than 100 MB: no kit file. Nothing was changed.' }
  return readKitFile(await file.text())
}

/** Hands a file to the browser to save. */
export function saveKit(file: KitFile, name: string): void {
  const url = URL.createObjectURL(new Blob([writeKitFile(file)], { type: 'application/json' }))
  const link = document.createElement('a')
  link.href = url
  link.download = `${name.replace(/[^\p{L}\p{N}]+/gu, '-').replace(/^-|-$/g, '') || 'kit'}.humbra.json`
  link.click()
  // The download reads the address after the click has returned.
  setTimeout(() => URL.revokeObjectURL(url), 10_000)
}
