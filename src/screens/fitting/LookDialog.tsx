'use client'

import { format } from 'date-fns'
import { useState } from 'react'
import { clsx } from 'clsx'
import { AREA_IDS, AREAS, FINDING_IDS, FINDINGS, type AreaId, type FindingId } from '@/core/fitting/lookOver'
import { lookedAt } from '@/core/log/findings'
import { areaSeen, clearFinding, noteFinding } from '@/session/actions/findings'
import { useBenchView, useSession } from '@/session/react'
import { findingText } from '@/text/fitting'
import { Button } from '@/ui/Button'
import { Modal } from '@/ui/Modal'
import { LugPicks } from './LugPicks'

const GO_ON = { yes: 'Go on.', care: 'Go on with care.', no: 'Do not go on.' }

/** Look before you turn: the drum's parts in the order of the hands, what was found and what it means. */
export function LookDialog({ onClose }: { onClose: () => void }) {
  const session = useSession()
  const view = useBenchView()
  const areas = AREA_IDS.filter((id) => view?.drum.kind === 'snare' || !AREAS[id].snareOnly)
  const [area, setArea] = useState<AreaId>(areas[0])
  const [naming, setNaming] = useState<FindingId | null>(null)
  const [rods, setRods] = useState<number[]>([])
  if (!session || !view) return null
  const { kit, drum, side, practice, head } = view
  const seen = lookedAt(kit, drum.id, side, practice)
  const foundIn = (id: AreaId) => head.findings.filter(({ finding }) => FINDINGS[finding].area === id)
  const next = () => {
    const after = areas[areas.indexOf(area) + 1]
    if (after) setArea(after)
    else onClose()
  }
  const note = (finding: FindingId) => {
    if (FINDINGS[finding].rods && naming !== finding) {
      setNaming(finding)
      setRods([])
      return
    }
    noteFinding(session, finding, rods)
    setNaming(null)
    setRods([])
  }
  const open = foundIn(area)
  const kinds = FINDING_IDS.filter(
    (id) => FINDINGS[id].area === area && !open.some(({ finding }) => finding === id && !FINDINGS[id].rods),
  )
  const { look, caution, label } = AREAS[area]
  return (
    <Modal
      open
      wide
      onClose={onClose}
      title={`Look over ${drum.name}, ${side}`}
      description="Before anything is turned. What is found stays on the drum’s record until it is cleared."
    >
      <div className="gap-8 sm:grid sm:grid-cols-[210px_minmax(0,1fr)]">
        <ol className="max-sm:mb-4 max-sm:flex max-sm:flex-wrap max-sm:gap-x-4">
          {areas.map((id) => (
            <li key={id}>
              <button
                type="button"
                aria-current={id === area ? 'step' : undefined}
                onClick={() => {
                  setArea(id)
                  setNaming(null)
                }}
                className={clsx(
                  'min-h-11 w-full border-l-[3px] pl-3 text-left',
                  id === area ? 'border-ink font-bold' : 'border-transparent text-soft hover:text-ink',
                )}
              >
                {AREAS[id].label}
                <span
                  className={clsx(
                    'block text-sm font-normal',
                    foundIn(id).length ? 'text-caution' : 'text-soft',
                  )}
                >
                  {foundIn(id).length
                    ? `${foundIn(id).length} found`
                    : seen.has(id)
                      ? `well, ${format(new Date(seen.get(id)!), 'd MMM')}`
                      : 'not looked at'}
                </span>
              </button>
            </li>
          ))}
        </ol>
        <section aria-label={label} className="min-w-0">
          <p className="text-lg leading-snug">{look}</p>
          {caution ? <p className="mt-1 leading-snug text-caution">{caution}</p> : null}
          {open.length ? (
            <ul className="mt-4">
              {open.map((found) => {
                const { means, todo, goOn, caution: warn } = FINDINGS[found.finding]
                return (
                  <li key={found.id} className="mb-2 border-l-[3px] border-caution py-1 pl-3 leading-snug">
                    <p className="font-bold">{findingText(found)}</p>
                    <p>
                      {means} {todo} <span className="font-bold">{GO_ON[goOn]}</span>
                    </p>
                    {warn ? <p className="text-caution">{warn}</p> : null}
                    <Button
                      tone="quiet"
                      className="-ml-2 underline"
                      onClick={() => clearFinding(session, found.id)}
                    >
                      It is put right
                    </Button>
                  </li>
                )
              })}
            </ul>
          ) : null}
          <p className="mt-4 text-soft">Found something?</p>
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
              <LugPicks lugs={drum.lugs} chosen={rods} onChange={setRods} label="Rod" />
              <Button className="mt-3" disabled={rods.length === 0} onClick={() => note(naming)}>
                Note it
              </Button>
            </div>
          ) : null}
          <div className="mt-5">
            <Button
              tone="act"
              onClick={() => {
                areaSeen(session, area)
                next()
              }}
            >
              {open.length ? 'Looked at, on' : 'All well, on'}
            </Button>
          </div>
        </section>
      </div>
    </Modal>
  )
}
