import type { ReactNode } from 'react'

/** One way in or out, under a rule. */
export function Part({ title, children }: { title: string; children: ReactNode }) {
  return (
    <section aria-label={title} className="min-w-0">
      <h2 className="border-b-2 border-ink pb-1 text-xl font-bold">{title}</h2>
      <div className="pt-3">{children}</div>
    </section>
  )
}
