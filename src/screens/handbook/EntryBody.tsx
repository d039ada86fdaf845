'use client'

import { ENTRIES, type EntryId } from '@/handbook/entries'
import { OpenEntry } from '@/handbook/openEntry'
import { createElement, lazy, Suspense, type ComponentType } from 'react'
import { PARTS } from '@/handbook/parts'

/** Text, charts and ways on of one entry. */
export function EntryBody({ id, onOpen }: { id: EntryId; onOpen: (id: EntryId) => void }) {
  return (
    <OpenEntry value={onOpen}>
      <div className="max-w-prose pt-3 text-lg leading-snug">
        <EntryText id={id} />
      </div>
      <nav
        aria-label="Read next"
        className="mt-3 flex flex-wrap gap-x-6 border-t border-line pt-1 print:hidden"
      >
        {ENTRIES[id].see.map((next) => (
          <button
            key={next}
            type="button"
            onClick={() => onOpen(next as EntryId)}
            className="min-h-11 underline underline-offset-4"
          >
            {ENTRIES[next as EntryId].title}
          </button>
        ))}
      </nav>
    </OpenEntry>
  )
}

type Text = ComponentType<{ components: typeof PARTS }>

const texts = new Map<EntryId, Text>()

/** Each text is loaded when it is first opened. */
function textOf(id: EntryId): Text {
  let text = texts.get(id)
  if (!text) {
    text = lazy(() => import(`./entries/${id}.mdx`) as Promise<{ default: Text }>)
    texts.set(id, text)
  }
  return text
}

/** The text of an entry, its charts with it: one component an entry, kept in the map above. */
function EntryText({ id }: { id: EntryId }) {
  return (
    <Suspense fallback={<p className="text-soft">Opening…</p>}>
      {createElement(textOf(id), { components: PARTS })}
    </Suspense>
  )
}
