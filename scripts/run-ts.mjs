// Bundles a TypeScript entry with esbuild and runs it in this process: `node scripts/run-ts.mjs FILE [args]`.
import { build } from 'esbuild'
import { mkdirSync } from 'node:fs'
import { basename, resolve } from 'node:path'
import { pathToFileURL } from 'node:url'

const [entry, ...rest] = process.argv.slice(2)
const outfile = resolve('.cache/run', basename(entry).replace(/\.ts$/, '.mjs'))
mkdirSync(resolve('.cache/run'), { recursive: true })
await build({
  entryPoints: [entry],
  outfile,
  bundle: true,
  platform: 'node',
  format: 'esm',
  target: 'node20',
  packages: 'external',
  alias: { '@': resolve('src'), '@ref': resolve('reference') },
  sourcemap: 'inline',
  logLevel: 'warning',
})
process.argv = [process.argv[0], resolve(entry), ...rest]
await import(pathToFileURL(outfile).href)
