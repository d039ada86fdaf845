'use client'

import { NUMBER_ENTRY } from '@/handbook/links'
import { EntryLink } from './EntryLink'

interface Props {
  of: ReadonlyArray<keyof typeof NUMBER_ENTRY>
  className?: string
}

/** Under a list of numbers: what each kind of them is, in the Handbook. */
export function NumbersHere({ of, className = '' }: Props) {
  return (
    <p className={`flex flex-wrap items-center gap-x-4 text-[15px] text-soft print:hidden ${className}`}>
      What these numbers are:
      {of.map((each) => (
        <EntryLink key={each} entry={NUMBER_ENTRY[each]} className="font-normal!" />
      ))}
    </p>
  )
}
