// Fails where files import each other in a circle, by what esbuild finds that they import (types alone are no import).
import { build } from 'esbuild'
import { execSync } from 'node:child_process'
import { resolve } from 'node:path'

const files = execSync("git ls-files 'src/**/*.ts' 'src/**/*.tsx' 'cli/**/*.ts'")
  .toString()
  .trim()
  .split('\n')
const { metafile } = await build({
  entryPoints: files.filter((file) => !/\.test\.tsx?$|\.d\.ts$/.test(file)),
  bundle: true,
  write: false,
  metafile: true,
  outdir: '.cache/circles',
  format: 'esm',
  platform: 'node',
  packages: 'external',
  alias: { '@': resolve('src'), '@ref': resolve('reference') },
  loader: { '.css': 'empty', '.mdx': 'empty' },
  logLevel: 'error',
})

const importsOf = new Map(
  Object.entries(metafile.inputs).map(([file, { imports }]) => [file, imports.map(({ path }) => path)]),
)
const circles = new Set()
const done = new Set()
function walk(file, path) {
  const at = path.indexOf(file)
  if (at >= 0) return void circles.add([...path.slice(at), file].join(' -> '))
  if (done.has(file)) return
  for (const next of importsOf.get(file) ?? []) walk(next, [...path, file])
  done.add(file)
}
for (const file of importsOf.keys()) walk(file, [])
if (circles.size) {
  console.error(`Files that import each other in a circle:\n${[...circles].join('\n')}`)
  process.exitCode = 1
} else console.log(`no circles among ${importsOf.size} files`)
