import MiniSearch, { type Options } from 'minisearch'
import { ENTRIES, ENTRY_IDS, type EntryId } from './entries'
import { WORDS } from './words'

/** Finding entries as one types, by title, the trade's words, complaints and text. */
interface Doc {
  id: EntryId
  title: string
  words: string
  text: string
}

const OPTIONS: Options<Doc> = {
  fields: ['title', 'words', 'text'],
  searchOptions: {
    boost: { title: 4, words: 3 },
    prefix: true,
    // A slip of the thumb is forgiven in longer words.
    fuzzy: (term) => (term.length > 4 ? 0.2 : false),
    combineWith: 'AND',
  },
}

/** Text of an entry without its markup. */
export const plainText = (mdx: string): string =>
  mdx
    .replace(/<[^>]+>/g, ' ')
    .replace(/[*_#>]/g, ' ')
    .replace(/\s+/g, ' ')
    .trim()

/** The index over all entries, as JSON; made at build. @param textOf an entry's file */
export function makeIndex(textOf: (id: EntryId) => string): string {
  const index = new MiniSearch<Doc>(OPTIONS)
  index.addAll(
    ENTRY_IDS.map((id) => ({
      id,
      title: ENTRIES[id].title,
      words: WORDS[id],
      text: plainText(textOf(id)),
    })),
  )
  return JSON.stringify(index)
}

export type EntrySearch = (query: string) => EntryId[]

/** @param json as {@link makeIndex} wrote it */
export function readIndex(json: string): EntrySearch {
  const index = MiniSearch.loadJSON<Doc>(json, OPTIONS)
  return (query) => {
    const all = index.search(query)
    // Rather something of what was asked than nothing.
    const found = all.length ? all : index.search(query, { combineWith: 'OR' })
    return found.map(({ id }) => id as EntryId)
  }
}
