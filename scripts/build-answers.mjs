// Bundles what answers the route handlers' requests in threads of their own: src/server/answers.ts to .cache/server.
import { build } from 'esbuild'
import { mkdirSync } from 'node:fs'
import { resolve } from 'node:path'

mkdirSync(resolve('.cache/server'), { recursive: true })
await build({
  entryPoints: ['src/server/answers.ts'],
  outfile: resolve('.cache/server/answers.mjs'),
  bundle: true,
  platform: 'node',
  format: 'esm',
  target: 'node20',
  packages: 'external',
  alias: { '@': resolve('src') },
  logLevel: 'warning',
})
