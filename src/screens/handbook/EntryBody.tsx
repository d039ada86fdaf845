'use client'

import { ENTRIES, type EntryId } from '@/handbook/entries'
import { EntryText } from '@/handbook/EntryText'
import { OpenEntry } from '@/handbook/openEntry'

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
