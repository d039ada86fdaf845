'use client'

import { findingText } from '@/text/status'
import { useState } from 'react'
import { AREA_IDS, AREAS, FINDINGS, type AreaId, FINDING_IDS, type FindingId } from '@/core/fitting/lookOver'
import { lookedAt, type NotedFinding } from '@/core/log/findings'
import { useBenchView } from '@/session/benchReact'
import { Frame, MainButton, Panel, Phrase, useTop } from '../../Frame'
import { LookStrip, type AreaState } from './LookStrip'
import { areaSeen, clearFinding, noteFinding } from '@/session/actions/findings'
import type { BenchView } from '@/session/benchView'
import { useSession } from '@/session/react'
import { goOnText, partsOf } from '@/text/fitting'
import { Button } from '@/ui/Button'
import { LugPicks } from '@/ui/LugPicks'
import { EntryLink } from '@/screens/handbook/EntryLink'
import { AREA_ENTRY, CAUTION_ENTRY, FINDING_ENTRY } from '@/handbook/links'

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

interface Props {
  view: BenchView
  area: AreaState | null
  open: readonly NotedFinding[]
  onNext: () => void
  onAgain: () => void
}

/** One part to look at, what may be found there; behind the last, what stands open. */
function LookPanel({ view, area, open, onNext, onAgain }: Props) {
  useTop(area?.id ?? null)
  const session = useSession()
  if (!session) return null
  if (!area) {
    return (
      <Panel
        over="looked over"
        big={<Phrase>{open.length ? `${open.length} to put right` : 'All well'}</Phrase>}
      >
        <Found found={open} />
        <Button tone="quiet" className="-ml-2 underline" onClick={onAgain}>
          Look again from the first
        </Button>
      </Panel>
    )
  }
  const { look, caution, label } = AREAS[area.id]
  const cautionEntry = caution ? CAUTION_ENTRY[area.id] : undefined
  const { first, rest } = partsOf(look)
  return (
    <Panel
      over={label.toLowerCase()}
      big={<Phrase>{first}</Phrase>}
      next={null}
      acts={
        <MainButton
          onClick={() => {
            areaSeen(session, area.id)
            onNext()
          }}
        >
          {area.found.length ? 'Looked at, on' : 'All well, on'}
        </MainButton>
      }
    >
      {rest ? <p className="leading-snug">{rest}</p> : null}
      {caution ? <p className="mt-1 leading-snug text-caution">{caution}</p> : null}
      <p className="flex flex-wrap gap-x-4">
        <EntryLink entry={AREA_ENTRY[area.id]} />
        {cautionEntry ? <EntryLink entry={cautionEntry} /> : null}
      </p>
      <Found found={area.found} />
      <Finds view={view} area={area} />
    </Panel>
  )
}

/** What was found, what it means, and the button for when it is put right. */
function Found({ found }: { found: readonly NotedFinding[] }) {
  const session = useSession()
  return (
    <ul className="mt-3">
      {found.map((each) => {
        const { means, todo, goOn, caution } = FINDINGS[each.finding]
        return (
          <li key={each.id} className="mb-2 border-l-[3px] border-caution py-1 pl-3 leading-snug">
            <p className="font-bold">{findingText(each)}</p>
            <p>
              {means} {todo} <span className="font-bold">{goOnText(goOn)}</span>
            </p>
            {caution ? <p className="text-caution">{caution}</p> : null}
            <EntryLink entry={FINDING_ENTRY[each.finding]} className="mr-4" />
            <Button
              tone="quiet"
              className="-ml-2 underline"
              onClick={() => session && clearFinding(session, each.id)}
            >
              It is put right
            </Button>
          </li>
        )
      })}
    </ul>
  )
}

/** What may be found at a part; some name rods. */
function Finds({ view, area }: { view: BenchView; area: AreaState }) {
  const session = useSession()
  const [naming, setNaming] = useState<FindingId | null>(null)
  const [rods, setRods] = useState<number[]>([])
  if (!session) return null
  const kinds = FINDING_IDS.filter(
    (id) =>
      FINDINGS[id].area === area.id &&
      !area.found.some(({ finding }) => finding === id && !FINDINGS[id].rods),
  )
  const note = (finding: FindingId) => {
    const asks = FINDINGS[finding].rods && naming !== finding
    if (!asks) noteFinding(session, finding, rods)
    setNaming(asks ? finding : null)
    setRods([])
  }
  return (
    <>
      <p className="mt-3 text-soft">Found something?</p>
      <div className="-ml-2 flex flex-wrap">
        {kinds.map((id) => (
          <Button key={id} tone="quiet" className="underline" onClick={() => note(id)}>
            {FINDINGS[id].label}
          </Button>
        ))}
      </div>
      {naming ? (
        <div className="mt-2">
          <p>{FINDINGS[naming].label}: which rods?</p>
          <LugPicks lugs={view.drum.lugs} chosen={rods} onChange={setRods} label="Rod" />
          <Button className="mt-3" disabled={rods.length === 0} onClick={() => note(naming)}>
            Note it
          </Button>
        </div>
      ) : null}
    </>
  )
}
