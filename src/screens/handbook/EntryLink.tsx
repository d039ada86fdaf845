'use client'

import { ChevronRight } from 'lucide-react'
import { clsx } from 'clsx'
import { ENTRIES, type EntryId } from '@/handbook/entries'
import { openBeside } from './beside'

interface Props {
  entry: EntryId
  /** What the link says; left out: the entry's title. */
  label?: string
  /** In a window: closes it, so that the entry stands beside the work and not behind the window. */
  onOpen?: () => void
  className?: string
}

/** Opens the entry that answers why, beside the work. */
export function EntryLink({ entry, label, onOpen, className }: Props) {
  const { title } = ENTRIES[entry]
  return (
    <button
      type="button"
      data-entry={entry}
      onClick={(event) => {
        openBeside(entry, onOpen ? null : event.currentTarget)
        onOpen?.()
      }}
      className={clsx(
        'relative inline-flex min-h-11 items-center gap-0.5 font-bold underline-offset-4 hover:underline',
        className,
      )}
    >
      {/* As text, not as a label of its own: what is heard is what stands there, and a little more. */}
      {label ?? title}
      <span className="sr-only">{label ? `${title} in the Handbook` : 'in the Handbook'}</span>
      <ChevronRight aria-hidden size={16} className="shrink-0" />
    </button>
  )
}

/** The same where there is no room for words: a question mark beside a number. */
export function EntryMark({ entry }: { entry: EntryId }) {
  return (
    <button
      type="button"
      data-entry={entry}
      title={ENTRIES[entry].title}
      onClick={(event) => openBeside(entry, event.currentTarget)}
      className="relative inline-flex size-11 shrink-0 items-center justify-center self-center text-xl text-soft hover:text-ink"
    >
      <span aria-hidden>?</span>
      <span className="sr-only">What is this: {ENTRIES[entry].title}, in the Handbook</span>
    </button>
  )
}
