'use client'

import { useState } from 'react'
import { AREA_IDS, AREAS, FINDINGS, type AreaId } from '@/core/fitting/lookOver'
import { lookedAt } from '@/core/log/findings'
import { useBenchView } from '@/session/benchReact'
import { Frame } from '../../Frame'
import { LookPanel } from './LookPanel'
import { LookStrip } from './LookStrip'

/** Look before you turn: the drum's parts in the order of the hands, what was found and what it means. */
export function LookStep() {
  const view = useBenchView()
  const [chosen, setChosen] = useState<AreaId | 'all' | null>(null)
  if (!view) return null
  const { kit, drum, side, practice, head } = view
  const seen = lookedAt(kit, drum.id, side, practice)
  const areas = AREA_IDS.filter((id) => drum.kind === 'snare' || !AREAS[id].snareOnly).map((id) => ({
    id,
    seen: seen.get(id) ?? null,
    found: head.findings.filter(({ finding }) => FINDINGS[finding].area === id),
  }))
  // Begun where it was left; once all were looked at, at the end.
  const first = areas.find((area) => area.seen === null)?.id ?? null
  const at = chosen === 'all' ? null : (chosen ?? first)
  return (
    <Frame
      strip={<LookStrip areas={areas} at={at} lugs={drum.lugs} onChoose={setChosen} />}
      panel={
        <LookPanel
          key={at}
          view={view}
          area={areas.find(({ id }) => id === at) ?? null}
          open={head.findings}
          onNext={() => {
            const after = areas.slice(areas.findIndex(({ id }) => id === at) + 1)
            setChosen(after.find((area) => area.seen === null)?.id ?? 'all')
          }}
          onAgain={() => setChosen(areas[0].id)}
        />
      }
    />
  )
}
