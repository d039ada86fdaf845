import { saveBlob } from './save'

/**
 * Hands a file to the device's own sharing; where there is none, or it takes no files, to be saved.
 * @returns what was done, null where the user thought better of it
 */
export async function shareFile(blob: Blob, name: string, title: string): Promise<'shared' | 'saved' | null> {
  const file = new File([blob], name, { type: blob.type })
  const data = { files: [file], title }
  if (typeof navigator.canShare !== 'function' || !navigator.canShare(data)) {
    saveBlob(blob, name)
    return 'saved'
  }
  try {
    await navigator.share(data)
    return 'shared'
  } catch (error) {
    if (error instanceof DOMException && error.name === 'AbortError') return null
    saveBlob(blob, name)
    return 'saved'
  }
}

/** Puts a text where it can be pasted from; @returns whether the browser let it. */
export async function copyText(text: string): Promise<boolean> {
  try {
    await navigator.clipboard.writeText(text)
    return true
  } catch {
    return false
  }
}
