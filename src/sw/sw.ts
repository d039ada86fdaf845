/// <reference lib="webworker" />
import { cleanupOutdatedCaches, PrecacheController } from 'workbox-precaching'

/**
 * Everything that the app needs, kept on the device after the first visit. Pages come from here and not from the server, so that
 * page, code and database are of one version; a newer one waits until its user takes it (`session/offline`).
 */
declare const self: ServiceWorkerGlobalScope & {
  __WB_MANIFEST: Array<{ url: string; revision: string | null }>
}
/** Pages, and of each the parts that navigation inside the app asks for; put in by scripts/build-sw.mjs. */
declare const PAGES: Array<{ path: string; segments: string[] }>
declare const VERSION: string

const PAGE_CACHE = `humbra-pages-${VERSION}`
const SEGMENT = 'next-router-segment-prefetch'

const files = new PrecacheController({
  cacheName: 'humbra-files',
  plugins: [
    {
      cachedResponseWillBeUsed: ({ cachedResponse }) =>
        Promise.resolve(cachedResponse && anew(cachedResponse)),
    },
  ],
})
files.addToCacheList(self.__WB_MANIFEST)
cleanupOutdatedCaches()

/** A worker takes its address from its response: one out of a cache has lost what stands behind the hash. */
const anew = ({ body, status, headers }: Response) => new Response(body, { status, headers })

/** A page has two kinds of answers under one address, told apart by a header: each is kept under a name of its own. */
const keyOf = (path: string, part: string | null) =>
  new URL(`${path}?part=${part ?? 'page'}`, self.location.origin).href

async function keepPages(): Promise<void> {
  const cache = await caches.open(PAGE_CACHE)
  const keep = async (path: string, part: string | null, headers: Record<string, string>) => {
    const response = await fetch(path, { headers, cache: 'reload' })
    if (!response.ok) throw new Error(`${path} is not there: ${response.status}`)
    await cache.put(keyOf(path, part), response)
  }
  for (const { path, segments } of PAGES) {
    await keep(path, null, {})
    await keep(path, 'rsc', { rsc: '1' })
    for (const segment of segments)
      await keep(path, segment, { rsc: '1', 'next-router-prefetch': '1', [SEGMENT]: segment })
  }
}

self.addEventListener('install', (event) => {
  event.waitUntil(Promise.all([files.install(event), keepPages()]))
})

self.addEventListener('activate', (event) => {
  const forget = caches
    .keys()
    .then((names) =>
      Promise.all(
        names
          .filter((name) => name.startsWith('humbra-pages-') && name !== PAGE_CACHE)
          .map((name) => caches.delete(name)),
      ),
    )
  event.waitUntil(Promise.all([files.activate(event), forget, self.clients.claim()]))
})

self.addEventListener('message', (event) => {
  if (event.data === 'take over') void self.skipWaiting()
})

const SHARED_CACHE = 'humbra-shared'

/** Lays aside what another app shared, under its name, and opens the page that takes it: nothing is sent on. */
async function layAside(request: Request): Promise<Response> {
  const form = await request.formData()
  const cache = await caches.open(SHARED_CACHE)
  const files = form.getAll('files').filter((each) => each instanceof File)
  const text = form.get('text')
  if (files.length === 0 && typeof text === 'string' && text.trim())
    files.push(new File([text], 'shared.txt', { type: 'text/plain' }))
  await Promise.all(
    files.map((file, i) =>
      cache.put(
        `/shared?at=${i}&name=${encodeURIComponent(file.name)}`,
        new Response(file, { headers: { 'content-type': file.type } }),
      ),
    ),
  )
  return Response.redirect('/share', 303)
}

self.addEventListener('fetch', (event) => {
  const { request } = event
  const url = new URL(request.url)
  if (request.method === 'POST' && url.origin === self.location.origin && url.pathname === '/share')
    return event.respondWith(layAside(request))
  if (request.method !== 'GET' || url.origin !== self.location.origin || url.pathname.startsWith('/api/'))
    return
  const page = PAGES.find(({ path }) => path === url.pathname)
  const rsc = request.headers.get('rsc') === '1'
  if (page && (request.mode === 'navigate' || rsc)) {
    const part = rsc ? (request.headers.get(SEGMENT) ?? 'rsc') : null
    return event.respondWith(
      caches
        .open(PAGE_CACHE)
        .then((cache) => cache.match(keyOf(page.path, part)))
        .then((kept) => kept ?? fetch(request)),
    )
  }
  const key = files.getCacheKeyForURL(url.href) ?? files.getCacheKeyForURL(url.pathname)
  if (!key) return
  event.respondWith(
    caches
      .open('humbra-files')
      .then((cache) => cache.match(key))
      .then((kept) => (kept ? anew(kept) : fetch(request))),
  )
})
