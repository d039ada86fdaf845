import { existsSync, readFileSync } from 'node:fs'
import { gzipSync } from 'node:zlib'
import { printTable } from './stats'

/** Bytes of JavaScript that a page names itself, from the last build; what comes behind the frame is counted by `light`. */
export function benchPages(): void {
  const rows = ['index', 'bench', 'spacing', 'sheets', 'run', 'welcome', 'settings', 'share'].flatMap(
    (page) => {
      const file = `.next/server/app/${page}.html`
      if (!existsSync(file)) return []
      // A browser that knows modules leaves out what is only for those that do not.
      const sources = [...readFileSync(file, 'utf8').matchAll(/<script[^>]*\bsrc="([^"?]+)[^"]*"[^>]*>/g)]
        .filter(([tag]) => !/\bnomodule\b/i.test(tag))
        .map((match) => match[1])
      const files = [...new Set(sources)].map((source) => readFileSync(source.replace('/_next/', '.next/')))
      const sum = (sizes: number[]) => Math.round(sizes.reduce((a, b) => a + b, 0) / 1024)
      const raw = sum(files.map((bytes) => bytes.length))
      return [
        [
          page === 'index' ? '/' : `/${page}`,
          `${raw} KB`,
          `${sum(files.map((bytes) => gzipSync(bytes).length))} KB`,
        ],
      ]
    },
  )
  if (rows.length === 0) console.log('\nNo build here: run npm run build first for the bytes of each page.')
  else printTable('JavaScript that a page names', ['page', 'bytes', 'gzip'], rows)
}
