'use client'

import { isRead } from '@/core/log/sittings'
import { turnsText } from './passText'
import { WorkingPicks } from './WorkingPicks'
import type { BenchView } from '@/session/benchView'

/** The newest passes have room. */
const SHOWN = 3

/** How the head got here: a bar a pass, filled where read, hollow where expected. */
export function Passes({ view }: { view: BenchView }) {
  const all = view.sitting?.passes ?? []
  const believed = view.advice?.plan.roundSpreadsCents ?? []
  // The adviser answers for the newest rounds: counted from the end.
  const rows = all
    .map((pass, i) => ({ pass, spread: believed.at(i - all.length) ?? null }))
    .filter(({ pass }) => isRead(pass))
  const passes = rows.map(({ pass }) => pass)
  const disagree = view.advice?.plan.reason === 'readings-disagree'
  const spreads = rows.map(({ spread }, i) => (disagree && i === rows.length - 1 ? null : spread))
  if (rows.length === 0 && view.phase === 'read') return null
  const widest = Math.max(20, ...spreads.map((spread) => spread ?? 0))
  const offset = Math.max(0, passes.length - SHOWN)
  return (
    <section
      aria-label="Passes"
      className="hidden shrink-0 items-center gap-6 border-t border-line px-7 py-3 md:flex"
    >
      <ol className="grid min-w-0 flex-1 gap-6 lg:grid-cols-3">
        {passes.slice(-SHOWN).map((pass, i) => {
          const number = i + offset
          const spread = spreads[number]
          return (
            <li key={number} className="not-last:max-lg:hidden">
              <p className="flex justify-between gap-3">
                <span className="font-bold">{number === 0 ? 'as found' : `pass ${number}`}</span>
                {spread !== null ? <span>spread {Math.round(spread)} c</span> : null}
              </p>
              <div
                aria-hidden
                className="mt-1 h-2.5 bg-ink"
                style={{ width: `${(100 * (spread ?? 0)) / widest}%`, minWidth: 3 }}
              />
              <p className="mt-1.5 truncate text-[15px] text-soft">{turnsText(pass.turns)}</p>
            </li>
          )
        })}
      </ol>
      <WorkingPicks />
    </section>
  )
}
