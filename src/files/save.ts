/** Hands a file to the browser to save. */
export function saveBlob(blob: Blob, name: string): void {
  const url = URL.createObjectURL(blob)
  const link = document.createElement('a')
  link.href = url
  link.download = name
  link.click()
  // The download reads the address after the click has returned.
  setTimeout(() => URL.revokeObjectURL(url), 10_000)
}

/** A name that every file system takes. */
export function fileName(name: string, ending: string): string {
  return `${name.replace(/[^\p{L}\p{N}]+/gu, '-').replace(/^-|-$/g, '') || 'kit'}.${ending}`
}

/**
 * A drawing as a PNG, so many times as large.
 * @returns null where the browser cannot draw it
 */
export async function pngOfSvg(
  svg: string,
  width: number,
  height: number,
  times: number,
): Promise<Blob | null> {
  const url = URL.createObjectURL(new Blob([svg], { type: 'image/svg+xml' }))
  try {
    const image = new Image()
    await new Promise((resolve, reject) => {
      image.onload = resolve
      image.onerror = reject
      image.src = url
    })
    const canvas = document.createElement('canvas')
    canvas.width = width * times
    canvas.height = height * times
    canvas.getContext('2d')?.drawImage(image, 0, 0, canvas.width, canvas.height)
    return await new Promise((resolve) => canvas.toBlob(resolve, 'image/png'))
  } catch {
    return null
  } finally {
    URL.revokeObjectURL(url)
  }
}
