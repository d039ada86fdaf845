/** Where the service worker lays what another app shares with this one; src/sw/sw.ts writes it. */
const SHARED_CACHE = 'humbra-shared'

/** Files that another app handed over, once; none where nothing was shared. */
export async function takeShared(): Promise<File[]> {
  if (typeof caches === 'undefined') return []
  try {
    const cache = await caches.open(SHARED_CACHE)
    const kept = await cache.keys()
    const files = await Promise.all(
      kept.map(async (request) => {
        const response = await cache.match(request)
        const blob = (await response?.blob()) ?? new Blob()
        const name = decodeURIComponent(new URL(request.url).searchParams.get('name') ?? 'shared')
        return new File([blob], name, { type: blob.type })
      }),
    )
    await caches.delete(SHARED_CACHE)
    return files
  } catch {
    return []
  }
}
