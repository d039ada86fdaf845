import { mkdirSync, readFileSync, writeFileSync } from 'node:fs'
import { makeIndex } from '../src/handbook/search'

/** Before the build: the Handbook's search index, from its entries, to public/handbook. */
mkdirSync('public/handbook', { recursive: true })
writeFileSync(
  'public/handbook/index.json',
  makeIndex((id) => readFileSync(`src/handbook/entries/${id}.mdx`, 'utf8')),
)
