'use client'

import { useState } from 'react'
import { CAUSES, type CauseId } from '@/core/fitting/causes'
import { causesOf } from '@/core/fitting/faults'
import { plantOn } from '@/core/ear/planted'
import {
  seedOf,
  stateRods,
  workOf,
  type HeadNow,
  type Table,
  type TableState,
  type Work,
} from '@/core/ear/table'
import type { ToolsWay } from '@/core/ear/toolsWay'
import { usualHz } from '@/core/records/usualDrum'
import { keepPractised } from '@/session/actions/drills'
import { drillDrumOf, tableDrumOf, type PracticeChoice } from '@/session/practiceDrums'
import type { Session } from '@/session/session'
import { adviceText } from '@/text/advice'
import { standsText, workText } from '@/text/ear'
import { Button } from '@/ui/Button'
import { Choice } from '@/ui/Choice'
import { Pick } from '@/ui/Pick'
import { Sittings } from './Sittings'
import { TableBench, truths } from './TableBench'
import { roundsOf, useTable } from './useTable'
import { EntryLink } from '../handbook/EntryLink'
import { CAUSE_ENTRY } from '@/handbook/links'

const STATES = [
  { value: 'slack', label: 'slack' },
  { value: 'rough', label: 'rough' },
  { value: 'nearly', label: 'nearly there' },
] as const

interface Setting {
  drum: string
  state: TableState
  fault: string
  /** Another head each time. */
  count: number
}

/** The practice drum: any size, any state, any fault hidden; by ear alone or with numbers. */
export function DrumPart({
  session,
  choices,
  byEar,
}: {
  session: Session
  choices: readonly PracticeChoice[]
  /** No numbers until it is judged. */
  byEar: boolean
}) {
  const [setting, setSetting] = useState<Setting>({
    ...{ drum: choices[1].value, state: 'rough', fault: 'none', count: 1 },
  })
  const choice = choices.find(({ value }) => value === setting.drum) ?? choices[0]
  const change = (next: Partial<Setting>) => setSetting({ ...setting, ...next, count: setting.count + 1 })
  const faults = [
    { value: 'none', label: 'no fault' },
    { value: 'any', label: 'any fault, hidden' },
    ...causesOf(choice.drum.kind)
      .filter((cause) => cause !== 'nothing')
      .map((cause) => ({ value: cause, label: CAUSES[cause].label.toLowerCase() })),
  ]
  return (
    <section aria-label={byEar ? 'Set a head by ear alone' : 'The practice drum'}>
      <div className="mb-4 flex flex-wrap items-center gap-x-6 border-b border-line pb-1">
        <Pick
          label="on"
          value={setting.drum}
          items={choices}
          onChange={(drum) => change({ drum, fault: 'none' })}
        />
        <Choice
          label="State of the head"
          value={setting.state}
          items={STATES}
          onChange={(state) => change({ state })}
        />
        {byEar ? null : (
          <Pick
            label="hidden in it"
            value={setting.fault}
            items={faults}
            onChange={(fault) => change({ fault })}
          />
        )}
        <Button tone="quiet" className="underline" onClick={() => change({})}>
          Another one
        </Button>
      </div>
      <OneDrum key={JSON.stringify(setting)} {...{ session, choice, setting, byEar }} />
      {byEar ? <Sittings kind="set" /> : null}
    </section>
  )
}

function begin(
  choice: PracticeChoice,
  { state, fault, count }: Setting,
  nowMs: number,
): { table: Table; cause: CauseId | null } {
  const { drum } = choice
  const seed = seedOf(drum.id, state, count, nowMs)
  const targetHz = usualHz(drum, 'batter')
  const head = tableDrumOf(drum, 'batter', `table/${seed}`)
  const rods = stateRods(head, state, targetHz, seed)
  if (fault === 'none') {
    return {
      table: { heads: [{ name: 'Batter', drum: head, rods, targetHz, other: null }], acts: [] },
      cause: null,
    }
  }
  const causes = causesOf(drum.kind).filter((each) => each !== 'nothing')
  const cause = fault === 'any' ? causes[Math.abs(seed) % causes.length] : (fault as CauseId)
  const hidden = plantOn(head, targetHz, drum.kind === 'snare', cause, seed)
  return { table: { heads: [{ name: 'Batter', ...hidden, targetHz, other: null }], acts: [] }, cause }
}

function OneDrum({
  session,
  choice,
  setting,
  byEar,
}: {
  session: Session
  choice: PracticeChoice
  setting: Setting
  byEar: boolean
}) {
  const [{ table: start, cause }] = useState(() => begin(choice, setting, session.deps.nowMs()))
  const now = useTable(session, start)
  const [judged, setJudged] = useState<Judgement | null>(null)
  const [said, setSaid] = useState<string | null>(null)
  const [working, setWorking] = useState(false)
  const [shown, setShown] = useState(false)
  const [found] = useState(() => truths({ ...now, table: start })[0])
  const [stands] = truths(now)
  const work = workOf(now.table)

  /** What takes its time is said while it is worked out; what fails is said too. */
  const worked = async (task: () => Promise<void>) => {
    setWorking(true)
    setSaid(null)
    await task().catch(() =>
      setSaid('That could not be worked out: reload the page. What was kept before stands.'),
    )
    setWorking(false)
  }
  const judge = async () => {
    const [{ drum, rods, targetHz }] = start.heads
    const tool = await session.deps.adviser().toolsWay(drum, rods, targetHz!)
    setJudged({ tool, table: now.table, found: found.spreadCents, stands, work })
    void keepPractised(session, [
      {
        ...{ what: 'set', id: session.deps.newId(), at: new Date(session.deps.nowMs()).toISOString() },
        drum: drillDrumOf(choice.drum),
        foundSpreadCents: found.spreadCents,
        ear: { ...work, spreadCents: stands.spreadCents, offCents: stands.offCents },
        tool: { ...tool },
      },
    ])
  }
  const advise = async () => {
    const [{ drum, targetHz }] = now.table.heads
    const plan = {
      head: {
        ...{ side: 'batter' as const, diameterInches: drum.diameterInches, lugs: drum.lugs, hoop: drum.hoop },
        ...{ threadPitchMm: drum.threadPitchMm, pliesMils: [...drum.pliesMils] },
      },
      target: { hz: targetHz! },
      largestStepTurns: 0.5,
      keys: 2 as const,
      rounds: roundsOf(now.heard[0]),
    }
    const { plan: answer } = await session.deps.adviser().advise(plan, null)
    setSaid(adviceText(answer))
  }
  return (
    <>
      <TableBench now={now} numbers={!byEar} />
      <div className="mt-4 flex flex-wrap items-center gap-3">
        {/* Once for every state of the head: nothing is kept twice. */}
        <Button
          tone="act"
          big
          disabled={working || judged?.table === now.table}
          onClick={() => void worked(judge)}
        >
          {byEar ? 'Done: judge it' : 'Judge it'}
        </Button>
        {byEar ? null : (
          <Button disabled={working} onClick={() => void worked(advise)}>
            What would the bench do?
          </Button>
        )}
        {cause && !shown ? <Button onClick={() => setShown(true)}>What is hidden in it?</Button> : null}
      </div>
      <p role="status" className="mt-3 max-w-prose text-xl font-bold empty:hidden">
        {working ? 'Working it out…' : said}
      </p>
      {cause && shown ? (
        <p role="status" className="mt-3 max-w-prose text-lg">
          <span className="font-bold">{CAUSES[cause].label}.</span> {CAUSES[cause].means} {CAUSES[cause].fix}{' '}
          <EntryLink entry={CAUSE_ENTRY[cause]} />
        </p>
      ) : null}
      {judged ? <Judged {...judged} /> : null}
    </>
  )
}

/** How a head stood when it was judged; what is done to it afterwards changes nothing of that. */
interface Judgement {
  table: Table
  found: number
  stands: HeadNow
  work: Work
  tool: ToolsWay
}

function Judged({ found, stands, work, tool }: Judgement) {
  return (
    <table aria-label="By your way and by the tool’s" className="mt-4 text-left text-lg">
      <tbody>
        <tr className="border-t border-line">
          <th className="py-2 pr-6 font-normal text-soft">found</th>
          <td className="pr-6">spread {Math.round(found)} c</td>
          <td />
        </tr>
        <tr className="border-t border-line">
          <th className="py-2 pr-6 font-bold">you</th>
          <td className="pr-6 font-bold">{standsText(stands)}</td>
          <td>{workText(work)}</td>
        </tr>
        <tr className="border-t border-line">
          <th className="py-2 pr-6 font-normal text-soft">reading and turning, as the bench says</th>
          <td className="pr-6">{standsText(tool)}</td>
          <td>{workText(tool)}</td>
        </tr>
      </tbody>
    </table>
  )
}
