'use client'

import { useMemo } from 'react'
import { rowsOf, type Row } from '@/core/spacing/rows'
import type { Plan } from '@/core/spacing/types'
import { usualPlace } from '@/core/spacing/known'
import { type Planning } from '@/session/selectors'
import { useSelect } from '@/session/react'
import { noteText } from '@/text/heads'

/** Kick and snare against the toms, as rows of their own. */
export function RowsTable({ asking, plan }: { asking: Planning; plan: Plan }) {
  const { a4Hz } = useSelect(({ settings }) => settings)
  const { request, unread } = asking
  const { rows, bass } = useMemo(
    () => rowsOf([...request.drums, ...unread], [...plan.drums, ...unread.map(usualPlace)]),
    [request, unread, plan.drums],
  )
  const drumOf = (id: string) => [...request.drums, ...unread].find((drum) => drum.id === id)!
  const name = (id: string) => drumOf(id).name ?? id
  const isSet = (id: string) => unread.every((drum) => drum.id !== id)
  const usualHz = (id: string) => usualPlace(drumOf(id)).batterHz.toFixed(0)
  const worst = (against: Row['against']) =>
    rows.filter((row) => row.against === against).sort((a, b) => b.risk - a.risk)
  const sections = (['kick', 'snare'] as const).filter((against) => worst(against).length > 0)
  if (sections.length === 0) return null
  return (
    <section aria-label="Kick and snare against the toms" className="max-md:mt-4">
      <h2 className="text-xl font-bold">Against the toms</h2>
      <ul className="mt-1 leading-snug">
        {sections.flatMap((against) =>
          worst(against).map((row) => (
            <li key={`${row.drum}/${row.tom}`} className="border-b border-line py-1">
              <span className="flex justify-between gap-3">
                <span>
                  {name(row.drum)}, {name(row.tom)}
                </span>
                <span className={row.risk > 0.5 && isSet(row.drum) ? 'font-bold text-caution' : 'text-soft'}>
                  {riskText(row, isSet(row.drum))}
                </span>
              </span>
              <span className="block text-sm text-soft">
                the tom’s {row.nearest.tom} {apartText(row.nearest.cents)} its {row.nearest.other}
                {isSet(row.drum) ? '' : `, if it stood at its usual ${usualHz(row.drum)} Hz`}
              </span>
            </li>
          )),
        )}
      </ul>
      {bass.length ? (
        <p className="mt-2 leading-snug text-soft">
          {bass
            .map(
              ({ drum, hz }) =>
                `${name(drum)} ${isSet(drum) ? 'speaks' : 'would at its usual pitch speak'} near ${hz.toFixed(0)} Hz, ${noteText(hz, a4Hz)}`,
            )
            .join('; ')}
          : where a bass plays. Keep off the root of the song, or put that note under “avoid”.
        </p>
      ) : null}
    </section>
  )
}

/** Of a drum that nobody read or set it is only said what would be. */
function riskText({ against, risk }: Row, isSet: boolean): string {
  if (risk <= 0.15) return 'clear'
  if (risk <= 0.5) return isSet ? 'near' : 'would be near'
  return `${isSet ? 'may' : 'would'} ${against === 'snare' ? 'buzz' : 'hum along'}`
}

function apartText(cents: number): string {
  const size = Math.round(Math.abs(cents))
  return size === 0 ? 'on' : `${size} c ${cents > 0 ? 'above' : 'below'}`
}
