'use client'

import { ArrowLeft, X } from 'lucide-react'
import { useEffect, useRef } from 'react'
import { useStore } from 'zustand'
import { ENTRIES } from '@/handbook/entries'
import { beside, backBeside, closeBeside, followBeside } from './beside'
import { EntryBody } from './EntryBody'

/** An entry beside the work: a column on a wide screen, a sheet at the foot of a narrow one. The work stays open and usable. */
export function BesidePanel() {
  const { trail } = useStore(beside)
  const id = trail.at(-1)
  const heading = useRef<HTMLHeadingElement>(null)
  useEffect(() => {
    if (id) heading.current?.focus({ preventScroll: true })
  }, [id])
  useEffect(() => {
    if (!id) return
    const onKey = (event: KeyboardEvent) => {
      if (event.key !== 'Escape' || event.defaultPrevented) return
      if (document.querySelector('[role="dialog"], [role="menu"]')) return
      closeBeside()
    }
    window.addEventListener('keydown', onKey)
    return () => window.removeEventListener('keydown', onKey)
  }, [id])
  if (!id) return null
  return (
    <aside
      aria-label="Handbook"
      className="border-line bg-case max-xl:fixed max-xl:inset-x-0 max-xl:bottom-0 max-xl:z-30 max-xl:max-h-[62dvh] max-xl:overflow-y-auto max-xl:border-t max-xl:pb-6 xl:sticky xl:top-0 xl:h-dvh xl:overflow-y-auto xl:border-l print:hidden"
    >
      <div className="px-5 pt-2 xl:px-6">
        <div className="flex items-center justify-between">
          {trail.length > 1 ? (
            <button type="button" onClick={backBeside} className="flex min-h-11 items-center gap-1 text-soft">
              <ArrowLeft aria-hidden size={16} /> {ENTRIES[trail[trail.length - 2]].title}
            </button>
          ) : (
            <p className="text-soft">Handbook</p>
          )}
          <button
            type="button"
            aria-label="Close the Handbook"
            onClick={closeBeside}
            className="flex size-11 items-center justify-center"
          >
            <X aria-hidden size={22} />
          </button>
        </div>
        <h2
          ref={heading}
          tabIndex={-1}
          className="text-4xl leading-[1.05] font-extrabold tracking-tight outline-none!"
        >
          {ENTRIES[id].title}
        </h2>
        <EntryBody id={id} onOpen={followBeside} />
      </div>
    </aside>
  )
}
