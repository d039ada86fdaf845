'use client'

import dynamic from 'next/dynamic'
import type { ReactNode } from 'react'
import { clsx } from 'clsx'
import { useStore } from 'zustand'
import { beside } from './beside'

const BesidePanel = dynamic(() => import('./BesidePanel').then((module) => module.BesidePanel), {
  ssr: false,
})

/** The place, and beside it the entry that was asked for: the place makes room, nothing is laid over it. */
export function WithBeside({ children }: { children: ReactNode }) {
  const open = useStore(beside, ({ trail }) => trail.length > 0)
  return (
    <div
      className={clsx(
        open && 'xl:grid xl:grid-cols-[minmax(0,1fr)_clamp(340px,30vw,440px)] max-xl:pb-[62dvh]',
      )}
    >
      <div className="min-w-0">{children}</div>
      {open ? <BesidePanel /> : null}
    </div>
  )
}
