'use client'

import { useRouter, useSearchParams } from 'next/navigation'
import { Suspense, useEffect, useRef, useState } from 'react'
import { clsx } from 'clsx'
import { CHAPTERS, type ChapterId } from '@/handbook/chapters'
import { ENTRIES, ENTRY_IDS, isEntry, READING_ORDER, type EntryId } from '@/handbook/entries'
import { WORDS } from '@/handbook/words'
import { readIndex, type EntrySearch } from '@/handbook/search'
import { Button } from '@/ui/Button'
import { INPUT_CLASS } from '@/ui/Field'
import { EntryBody } from './EntryBody'

const INDEX_URL = '/handbook/index.json'

/** Short entries that say what things are, what people hold, and why the tool says what it says. */
export function HandbookScreen() {
  return (
    <Suspense>
      <Handbook />
    </Suspense>
  )
}

function Handbook() {
  const router = useRouter()
  const asked = useSearchParams().get('entry')
  const id = isEntry(asked) ? asked : null
  const [query, setQuery] = useState('')
  const search = useSearch(query !== '')
  const open = (next: EntryId) => router.push(`/handbook?entry=${next}`)
  const found = query.trim() === '' ? null : (search?.(query) ?? [])
  return (
    <div className="px-4 pb-10 md:px-7 lg:grid lg:grid-cols-[330px_minmax(0,1fr)] lg:gap-x-10 print:block">
      <div
        className={clsx('print:hidden lg:h-dvh lg:overflow-y-auto lg:pr-2 lg:pb-8', id && 'max-lg:hidden')}
      >
        <h1 className="pt-3 text-3xl font-bold md:pt-4 md:text-4xl">Handbook</h1>
        <label className="mt-2 block">
          <span className="text-sm text-soft">Find a word or a complaint</span>
          <input
            type="search"
            value={query}
            onChange={(event) => setQuery(event.target.value)}
            placeholder="growls, finger-tight, fourth"
            className={INPUT_CLASS}
          />
        </label>
        {found ? (
          <Found ids={found} at={id} onOpen={open} waiting={search === null} />
        ) : (
          <>
            <Begin onOpen={open} className="lg:hidden" />
            <Contents at={id} onOpen={open} />
          </>
        )}
      </div>
      {id ? <Reading key={id} id={id} onOpen={open} /> : <Begin onOpen={open} className="max-lg:hidden" />}
    </div>
  )
}

/** The index is fetched with the first letter typed, and kept for use without a network. */
function useSearch(wanted: boolean): EntrySearch | null {
  const [search, setSearch] = useState<{ find: EntrySearch } | null>(null)
  useEffect(() => {
    if (!wanted || search) return
    let left = false
    void fetch(INDEX_URL)
      .then((response) => response.text())
      .then((json) => {
        if (!left) setSearch({ find: readIndex(json) })
      })
      .catch(() => {
        if (!left) setSearch({ find: byTitle })
      })
    return () => {
      left = true
    }
  }, [wanted, search])
  return search?.find ?? null
}

/** Without the index: titles and words alone. */
const byTitle: EntrySearch = (query) => {
  const asked = query.trim().toLowerCase()
  return ENTRY_IDS.filter((id) => `${ENTRIES[id].title} ${WORDS[id]}`.toLowerCase().includes(asked))
}

interface FoundProps {
  ids: readonly EntryId[]
  at: EntryId | null
  onOpen: (id: EntryId) => void
  waiting: boolean
}

function Found({ ids, at, onOpen, waiting }: FoundProps) {
  return (
    <section aria-label="Found" className="mt-3">
      <p role="status" className="text-soft">
        {waiting
          ? 'Looking…'
          : ids.length === 0
            ? 'No entry has that word. Try the complaint itself: growls, buzzes, dead.'
            : `${ids.length} ${ids.length === 1 ? 'entry' : 'entries'}`}
      </p>
      <List ids={ids} at={at} onOpen={onOpen} />
    </section>
  )
}

function Contents({ at, onOpen }: { at: EntryId | null; onOpen: (id: EntryId) => void }) {
  return Object.entries(CHAPTERS).map(([chapter, title]) => (
    <section key={chapter} aria-label={title} className="mt-5">
      <h2 className="font-bold text-soft">{title}</h2>
      <List
        ids={ENTRY_IDS.filter((id) => ENTRIES[id].chapter === (chapter as ChapterId))}
        at={at}
        onOpen={onOpen}
      />
    </section>
  ))
}

interface ListProps {
  ids: readonly EntryId[]
  at: EntryId | null
  onOpen: (id: EntryId) => void
}

function List({ ids, at, onOpen }: ListProps) {
  return (
    <ul>
      {ids.map((id) => (
        <li key={id}>
          <button
            type="button"
            aria-current={id === at ? 'page' : undefined}
            onClick={() => onOpen(id)}
            className={clsx(
              'min-h-11 w-full border-b border-line text-left',
              id === at ? 'font-bold' : 'hover:underline',
            )}
          >
            {ENTRIES[id].title}
          </button>
        </li>
      ))}
    </ul>
  )
}

function Reading({ id, onOpen }: { id: EntryId; onOpen: (id: EntryId) => void }) {
  const router = useRouter()
  const heading = useRef<HTMLHeadingElement>(null)
  useEffect(() => {
    heading.current?.focus({ preventScroll: true })
    window.scrollTo({ top: 0 })
  }, [])
  const place = READING_ORDER.indexOf(id)
  const next = place >= 0 ? READING_ORDER[place + 1] : undefined
  return (
    <article className="pt-3 lg:h-dvh lg:overflow-y-auto lg:pt-5 print:h-auto">
      <p className="flex flex-wrap items-center gap-x-5 text-soft">
        <Button
          tone="quiet"
          className="underline lg:hidden print:hidden"
          onClick={() => router.push('/handbook')}
        >
          All entries
        </Button>
        {CHAPTERS[ENTRIES[id].chapter]}
        {place >= 0 ? `, ${place + 1} of ${READING_ORDER.length} to begin with` : ''}
        <Button tone="quiet" className="ml-auto underline print:hidden" onClick={() => window.print()}>
          Print
        </Button>
      </p>
      <h2
        ref={heading}
        tabIndex={-1}
        className="text-[40px] leading-[1.05] font-extrabold tracking-tight outline-none! md:text-[64px]"
      >
        {ENTRIES[id].title}
      </h2>
      <EntryBody id={id} onOpen={onOpen} />
      {next ? (
        <Button tone="act" className="mt-4 print:hidden" onClick={() => onOpen(next)}>
          Next: {ENTRIES[next].title}
        </Button>
      ) : null}
    </article>
  )
}

/** For whoever is new: an order to read in. */
function Begin({ onOpen, className }: { onOpen: (id: EntryId) => void; className: string }) {
  return (
    <section aria-label="To begin with" className={clsx('max-w-prose pt-6 lg:pt-16 print:pt-0', className)}>
      <h2 className="text-3xl font-extrabold md:text-5xl">To begin with</h2>
      <p className="mt-2 text-lg text-soft">
        {READING_ORDER.length} entries, in this order, half an hour. Each can be read alone.
      </p>
      <ol className="mt-4 text-xl">
        {READING_ORDER.map((id, i) => (
          <li key={id} className="border-b border-line">
            <button
              type="button"
              onClick={() => onOpen(id)}
              className="min-h-12 w-full text-left hover:underline"
            >
              {i + 1}. {ENTRIES[id].title}
            </button>
          </li>
        ))}
      </ol>
    </section>
  )
}
