'use client'

import { format } from 'date-fns'
import { useState } from 'react'
import { headNow, seedOf, stateRods, workOf, type Table, type TableState } from '@/core/ear/table'
import { usualHz } from '@/core/records/usualDrum'
import { keepPractised } from '@/session/actions/drills'
import { drillDrumOf, tableDrumOf, type PracticeChoice } from '@/session/practiceDrums'
import { useSelect } from '@/session/react'
import type { Session } from '@/session/session'
import { standsText, workText } from '@/text/ear'
import { Button } from '@/ui/Button'
import { Choice } from '@/ui/Choice'
import { Pick } from '@/ui/Pick'
import { TableBench } from './TableBench'
import { useTable } from './useTable'

const STATES = [
  { value: 'slack', label: 'slack' },
  { value: 'rough', label: 'rough' },
  { value: 'nearly', label: 'nearly there' },
] as const

/** So many heads of before, the newest first. */
const SHOWN = 12

interface Setting {
  drum: string
  state: TableState
  /** Another head each time. */
  count: number
}

interface Props {
  session: Session
  choices: readonly PracticeChoice[]
}

/** A head of any size, in any state, set by ear alone: no number is shown until it is judged. */
export function ByEarPart({ session, choices }: Props) {
  const [setting, setSetting] = useState<Setting>({ drum: choices[1].value, state: 'rough', count: 1 })
  const choice = choices.find(({ value }) => value === setting.drum) ?? choices[0]
  const change = (next: Partial<Setting>) => setSetting({ ...setting, ...next, count: setting.count + 1 })
  return (
    <section aria-label="Set a head by ear alone">
      <div className="mb-4 flex flex-wrap items-center gap-x-6 border-b border-line pb-1">
        <Pick label="on" value={setting.drum} items={choices} onChange={(drum) => change({ drum })} />
        <Choice
          label="State of the head"
          value={setting.state}
          items={STATES}
          onChange={(state) => change({ state })}
        />
        <Button tone="quiet" className="underline" onClick={() => change({})}>
          Another one
        </Button>
      </div>
      <OneHead key={JSON.stringify(setting)} {...{ session, choice, setting }} />
      <SetBefore />
    </section>
  )
}

function begin({ drum }: PracticeChoice, { state, count }: Setting, nowMs: number): Table {
  const seed = seedOf(drum.id, state, count, nowMs)
  const targetHz = usualHz(drum, 'batter')
  const head = tableDrumOf(drum, 'batter', `table/${seed}`)
  const rods = stateRods(head, state, targetHz, seed)
  return { heads: [{ name: 'Batter', drum: head, rods, targetHz, other: null }], acts: [] }
}

interface OneHeadProps {
  session: Session
  choice: PracticeChoice
  setting: Setting
}

function OneHead({ session, choice, setting }: OneHeadProps) {
  const [start] = useState(() => begin(choice, setting, session.deps.nowMs()))
  const now = useTable(session, start)
  const [judged, setJudged] = useState<{ table: Table; said: string } | null>(null)
  const judge = () => {
    const foundSpreadCents = headNow(start, 0).spreadCents
    const work = workOf(now.table)
    const { spreadCents, offCents } = headNow(now.table, 0)
    const left = `${standsText({ spreadCents, offCents })}, after ${workText(work)}`
    setJudged({ table: now.table, said: `Found: spread ${Math.round(foundSpreadCents)} c. Left: ${left}.` })
    void keepPractised(session, [
      {
        ...{ what: 'set', id: session.deps.newId(), at: new Date(session.deps.nowMs()).toISOString() },
        drum: drillDrumOf(choice.drum),
        foundSpreadCents,
        ear: { ...work, spreadCents, offCents },
      },
    ])
  }
  return (
    <>
      <TableBench now={now} />
      {/* Once for every state of the head: nothing is kept twice. */}
      <Button tone="act" big className="mt-4" disabled={judged?.table === now.table} onClick={judge}>
        Done: judge it
      </Button>
      <p role="status" className="mt-3 max-w-prose text-xl font-bold empty:hidden">
        {judged?.said}
      </p>
    </>
  )
}

/** How one got better at it: the heads that were set by ear before. */
function SetBefore() {
  const heads = (useSelect((state) => state.drills) ?? [])
    .flatMap((each) => (each.what === 'set' ? [each] : []))
    .slice(-SHOWN)
    .reverse()
  if (heads.length === 0) return null
  return (
    <section aria-label="Set by ear before" className="mt-6 max-w-3xl border-t border-line pt-3">
      <h3 className="text-soft">Set by ear before</h3>
      <ol>
        {heads.map(({ id, at, drum, foundSpreadCents, ear }) => (
          <li key={id} className="flex flex-wrap gap-x-5 border-b border-line py-2 text-lg">
            <span className="w-20 text-soft">{format(Date.parse(at), 'd MMM')}</span>
            <span>
              {drum.diameterInches} in, found {Math.round(foundSpreadCents)} c
            </span>
            <span className="font-bold">left {standsText(ear)}</span>
            <span className="text-soft">{workText(ear)}</span>
          </li>
        ))}
      </ol>
    </section>
  )
}
