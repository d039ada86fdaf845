// `npm run -s humbra -- COMMAND`: bundles the commands, with all they use, when a source is newer than the
// bundle, and runs them here: one file starts in half the time that hundreds take.
import { existsSync, mkdirSync, readdirSync, statSync } from 'node:fs'
import { dirname, join, resolve } from 'node:path'
import { fileURLToPath, pathToFileURL } from 'node:url'

const root = resolve(dirname(fileURLToPath(import.meta.url)), '..')
const outfile = join(root, '.cache/cli/humbra.mjs')

function newest(folder) {
  return readdirSync(folder, { withFileTypes: true }).reduce((latest, entry) => {
    const path = join(folder, entry.name)
    return Math.max(latest, entry.isDirectory() ? newest(path) : statSync(path).mtimeMs)
  }, 0)
}

const sources = ['cli', 'src', 'reference'].map((folder) => join(root, folder))
if (!existsSync(outfile) || statSync(outfile).mtimeMs < Math.max(...sources.map(newest))) {
  const { build } = await import('esbuild')
  try {
    mkdirSync(dirname(outfile), { recursive: true })
    await build({
      entryPoints: [join(root, 'cli/main.ts')],
      outfile,
      bundle: true,
      platform: 'node',
      format: 'esm',
      target: 'node20',
      alias: { '@': join(root, 'src'), '@ref': join(root, 'reference') },
      logLevel: 'silent',
    })
  } catch (error) {
    process.stderr.write(`humbra: the commands cannot be built into ${dirname(outfile)}: ${error.message}\n`)
    process.exit(1)
  }
}
const { main } = await import(pathToFileURL(outfile).href)
process.exitCode = await main(process.argv.slice(2))
