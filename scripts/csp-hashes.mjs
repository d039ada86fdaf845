// After the build: hashes of all inline scripts of the prerendered pages, for src/proxy.ts.
import { createHash } from 'node:crypto'
import { existsSync, readdirSync, readFileSync, writeFileSync } from 'node:fs'
import { join, relative } from 'node:path'

const root = '.next/server/app'
const hash = (text) => `'sha256-${createHash('sha256').update(text).digest('base64')}'`

function pages(folder) {
  return readdirSync(folder, { withFileTypes: true }).flatMap((entry) => {
    const path = join(folder, entry.name)
    if (entry.isDirectory()) return pages(path)
    return path.endsWith('.html') ? [path] : []
  })
}

const scripts = {}
for (const file of existsSync(root) ? pages(root) : []) {
  const name = `/${relative(root, file)
    .replace(/\.html$/, '')
    .replace(/\\/g, '/')}`
  const html = readFileSync(file, 'utf8')
  const inline = [...html.matchAll(/<script(?![^>]*\bsrc=)[^>]*>([\s\S]*?)<\/script>/g)].map(
    (match) => match[1],
  )
  scripts[name === '/index' ? '/' : name] = [...new Set(inline.filter(Boolean).map(hash))]
}
// Constant texts of style elements that libraries insert at run time; see docs/decisions/content-policy.md.
const styles = JSON.parse(readFileSync('scripts/style-hashes.json', 'utf8'))
writeFileSync('.next/csp.json', JSON.stringify({ scripts, styles }))
console.log(`content policy: ${Object.keys(scripts).length} pages`)
