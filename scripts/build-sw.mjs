// After the build: public/sw.js from src/sw/sw.ts, with the list of all files that the app needs without a network.
import { build } from 'esbuild'
import { createHash } from 'node:crypto'
import { existsSync, readdirSync, readFileSync, statSync } from 'node:fs'
import { join, relative } from 'node:path'
import { getManifest } from 'workbox-build'

const APP = '.next/server/app'
const PLACES = [
  'index',
  'bench',
  'spacing',
  'sheets',
  'run',
  'logbook',
  'practice',
  'handbook',
  'print',
  'welcome',
  'settings',
  'share',
]

const walk = (folder) =>
  readdirSync(folder).flatMap((name) => {
    const path = join(folder, name)
    return statSync(path).isDirectory() ? walk(path) : [path]
  })

const pages = PLACES.map((name) => {
  const folder = `${APP}/${name}.segments`
  const segments = existsSync(folder)
    ? walk(folder).map((file) => `/${relative(folder, file).replace(/\.segment\.rsc$/, '')}`)
    : []
  return { path: name === 'index' ? '/' : `/${name}`, segments }
})

const statics = await getManifest({
  globDirectory: '.next/static',
  globPatterns: ['**/*.{js,css,woff2,svg,png}'],
  modifyURLPrefix: { '': '/_next/static/' },
  // Their names carry a hash already.
  dontCacheBustURLsMatching: /./,
  maximumFileSizeToCacheInBytes: 20 * 1024 * 1024,
})
const shipped = await getManifest({
  globDirectory: 'public',
  globPatterns: ['worklet/*.js', 'demo/*.json', 'handbook/*.json', 'icons/*.png'],
  modifyURLPrefix: { '': '/' },
  maximumFileSizeToCacheInBytes: 20 * 1024 * 1024,
})
const own = ['icon.svg', 'manifest.webmanifest'].map((name) => ({
  url: `/${name}`,
  revision: createHash('md5')
    .update(readFileSync(`${APP}/${name}.body`))
    .digest('hex'),
}))
const files = [...statics.manifestEntries, ...shipped.manifestEntries, ...own]
for (const warning of [...statics.warnings, ...shipped.warnings]) throw new Error(warning)
const html = PLACES.map((name) => readFileSync(`${APP}/${name}.html`))
const version = createHash('md5')
  .update(JSON.stringify(files))
  .update(Buffer.concat(html))
  .digest('hex')
  .slice(0, 12)
await build({
  entryPoints: ['src/sw/sw.ts'],
  outfile: 'public/sw.js',
  bundle: true,
  format: 'iife',
  target: 'es2022',
  minify: true,
  define: {
    'self.__WB_MANIFEST': JSON.stringify(files),
    PAGES: JSON.stringify(pages),
    VERSION: JSON.stringify(version),
    'process.env.NODE_ENV': '"production"',
  },
  logLevel: 'warning',
})
console.log(`offline: ${files.length} files, ${pages.length} places, version ${version}`)
