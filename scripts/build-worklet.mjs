// Next bundles no audio worklets: this makes public/worklet/blocks.js.
import { build } from 'esbuild'

await build({
  entryPoints: ['src/audio/worklet/blocks.ts'],
  outfile: 'public/worklet/blocks.js',
  bundle: true,
  format: 'iife',
  target: 'es2022',
  minify: true,
  logLevel: 'warning',
})
