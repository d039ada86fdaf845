'use client'

import '@/commands/atRun'
import { format } from 'date-fns'
import { useState } from 'react'
import { type KitState, headKey } from '@/core/log/fold'
import { runView, endRun, leaveHead, RESERVE_MINUTES, takeUpAgain, type RunView } from '@/session/actions/run'
import { useKit, useSelect, useSession } from '@/session/react'
import { Pick } from '@/ui/Pick'
import { BeginRun } from './BeginRun'
import { QuickCheck } from './QuickCheck'
import { NumbersHere } from '../handbook/NumbersHere'
import { useNow } from './useNow'
import type { Run } from '@/core/log/runs'
import { fileName, saveBlob } from '@/files/save'
import { runCsv } from '@/text/csv'
import { reportIntervals, reportRows, reportText, doorsText, leaveText, nameText, todoText } from '@/text/run'
import { Button } from '@/ui/Button'
import { Table } from '@/ui/Table'
import { useGo } from '@/ui/useGo'
import type { WorkItem } from '@/core/status/worklist'
import { chooseHead } from '@/session/actions/kits'
import { minutesText } from '@/text/minutes'
import { WorkRow } from './WorkRow'

const NUMBERS = ['mean', 'spread', 'relation', 'tolerance', 'odds', 'forecast'] as const

/** A walk through the kit to a sheet, with the doors in sight. */
export function RunScreen() {
  const session = useSession()
  const state = useSelect(({ clockMs, phase, settings }) => ({ clockMs, phase, settings }))
  const kit = useKit()
  const now = useNow(session)
  const [checking, setChecking] = useState(false)
  if (!session || (state.phase === 'starting' && !kit))
    return <p className="p-8 text-soft">Opening the log…</p>
  const nowMs = Math.max(now, state.clockMs)
  const view = runView(state, kit, nowMs)
  return (
    <div className="px-4 pb-10 md:px-7 print:p-0">
      <h1 className="pt-3 text-3xl font-bold md:pt-5 md:text-4xl print:hidden">Retune run</h1>
      {!kit || kit.sheets.length === 0 ? (
        <p className="mt-4 max-w-xl text-lg">
          A run brings the whole kit to a sheet, and there is none yet. Keep one from the bench or from
          Spacing.
        </p>
      ) : view ? (
        <>
          <GoingRun view={view} />
          <NumbersHere of={NUMBERS} className="mt-2" />
        </>
      ) : checking ? (
        <QuickCheck kit={kit} nowMs={nowMs} onClose={() => setChecking(false)} />
      ) : (
        <>
          <div className="print:hidden">
            <BeginRun kit={kit} nowMs={nowMs} onCheck={() => setChecking(true)} />
            <NumbersHere of={NUMBERS} className="mt-2" />
          </div>
          <Reports kit={kit} />
        </>
      )}
    </div>
  )
}

/** The report of the newest run, and of those before it by their day. */
function Reports({ kit }: { kit: KitState }) {
  const ended = kit.runs.filter(({ endedAt }) => endedAt !== null).reverse()
  const [chosen, setChosen] = useState<string | null>(null)
  const run = ended.find(({ id }) => id === chosen) ?? ended[0]
  if (!run) return null
  const sheetName = (id: string) =>
    kit.sheets.find((sheet) => sheet.id === id)?.name ?? 'a sheet that is gone'
  return (
    <div className="mt-8 border-t border-line pt-4 print:mt-0 print:border-0">
      {ended.length > 1 ? (
        <Pick
          label="report of"
          className="print:hidden"
          value={run.id}
          items={ended.map(({ id, startedAt, sheet }) => ({
            value: id,
            label: `${format(new Date(startedAt), 'd MMM HH:mm')}, to ${sheetName(sheet)}`,
          }))}
          onChange={setChosen}
        />
      ) : null}
      <Report kit={kit} run={run} />
    </div>
  )
}

/** What a run did: before as found, after, what was left and why, and the intervals it left the drums in. */
function Report({ kit, run }: { kit: KitState; run: Run }) {
  const sheet = kit.sheets.find(({ id }) => id === run.sheet)
  const rows = reportRows(run, kit.drums)
  const intervals = reportIntervals(run, kit.drums)
  const minutes = run.endedAt ? Math.round((Date.parse(run.endedAt) - Date.parse(run.startedAt)) / 60_000) : 0
  const name = sheet?.name ?? 'A sheet that is gone'
  const save = () =>
    saveBlob(
      new Blob([runCsv(run, kit.drums)], { type: 'text/csv' }),
      fileName(`${kit.name} run ${run.startedAt.slice(0, 10)}`, 'csv'),
    )
  return (
    <section aria-label="Report" className="mt-6 max-w-5xl">
      <div className="flex flex-wrap items-center justify-between gap-3">
        <h2 className="text-2xl font-bold">
          {name}, {format(new Date(run.startedAt), 'd MMM HH:mm')}
        </h2>
        <span className="flex gap-2 print:hidden">
          <Button onClick={() => window.print()}>Print</Button>
          <Button onClick={save}>Save as CSV</Button>
        </span>
      </div>
      <p className="mt-1 text-lg">{reportText(rows, minutes)}</p>
      <div className="gap-10 lg:grid lg:grid-cols-[minmax(0,1.7fr)_minmax(0,1fr)]">
        <Table
          label="Heads"
          heads={['head', 'as found', 'after', 'left']}
          rows={rows.map((row) => ({
            key: `${row.drum}/${row.side}`,
            cells: [`${row.drum}, ${row.side}`, row.before, row.after, row.left],
          }))}
        />
        {intervals.length ? (
          <Table
            label="Between drums"
            heads={['from, to', 'before', 'after']}
            rows={intervals.map(({ from, to, before, after }) => ({
              key: `${from}/${to}`,
              cells: [`${from} to ${to}`, before, after],
            }))}
          />
        ) : null}
      </div>
    </section>
  )
}

/** The run that is going on: what is next, what is left to do, what there is no time for. */
function GoingRun({ view }: { view: RunView }) {
  const session = useSession()
  const go = useGo()
  if (!session) return null
  const { run, sheet, items, todo, noTime, minutesLeft, minutesNeeded } = view
  const next = todo.find((item) => !noTime.has(item))
  const toBench = ({ drum, side }: WorkItem) => {
    chooseHead(session, drum.id, side)
    go('/bench')
  }
  return (
    <>
      <p className="mt-1 text-lg">
        To <b>{sheet.name}</b>, since {format(new Date(run.startedAt), 'HH:mm')}.{' '}
        {minutesLeft === null ? '' : `${sentence(doorsText(minutesLeft + RESERVE_MINUTES))}. `}
        {todo.length === 0
          ? 'Nothing is left to do.'
          : `${sentence(minutesText(minutesNeeded))} of work left.`}
      </p>
      {noTime.size ? (
        <p role="status" className="mt-1 text-lg font-bold text-caution">
          {leaveText([...noTime])}
        </p>
      ) : null}
      <div className="mt-4 flex flex-wrap items-center gap-4">
        {next ? (
          <Button tone="act" big onClick={() => toBench(next)}>
            Next: {nameText(next)}, {todoText(next)}
          </Button>
        ) : null}
        <Button tone={next ? 'line' : 'act'} big={!next} onClick={() => endRun(session)}>
          End the run
        </Button>
      </div>
      <ol aria-label="Heads of the run" className="mt-5 max-w-4xl">
        {items.map((item) => {
          const { drum, side } = item
          const left = run.left.has(headKey(drum.id, side))
          return (
            <WorkRow
              key={headKey(drum.id, side)}
              item={item}
              word={left ? 'left as it is' : todoText(item)}
              open={todo.includes(item)}
              noTime={noTime.has(item)}
              onOpen={() => toBench(item)}
              acts={
                left
                  ? [{ label: 'take it up again', run: () => takeUpAgain(session, drum.id, side) }]
                  : todo.includes(item)
                    ? [
                        { label: 'good enough', run: () => leaveHead(session, drum.id, side, 'good-enough') },
                        { label: 'cannot be had', run: () => leaveHead(session, drum.id, side, 'cannot') },
                      ]
                    : []
              }
            />
          )
        })}
      </ol>
    </>
  )
}

const sentence = (text: string) => text[0].toUpperCase() + text.slice(1)
