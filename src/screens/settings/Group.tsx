import type { ReactNode } from 'react'
import type { Settings } from '@/core/records/settings'
import type { Session } from '@/session/session'

export interface GroupProps {
  session: Session
  settings: Settings
}

/** Settings that belong together, and where they are kept. */
export function Group({ title, kept, children }: { title: string; kept: string; children: ReactNode }) {
  return (
    <section className="pb-6" aria-label={title}>
      <h2 className="flex items-baseline justify-between gap-3 border-b-2 border-ink pb-1 text-xl font-bold">
        {title} <span className="text-sm font-normal text-soft">{kept}</span>
      </h2>
      {children}
    </section>
  )
}

export const ON_DEVICE = 'on this device'
