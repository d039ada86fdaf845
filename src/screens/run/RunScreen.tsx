'use client'

import '@/commands/atRun'
import { format } from 'date-fns'
import { useState } from 'react'
import type { KitState } from '@/core/log/fold'
import { runView } from '@/session/actions/run'
import { useKit, useSelect, useSession } from '@/session/react'
import { Pick } from '@/ui/Pick'
import { BeginRun } from './BeginRun'
import { QuickCheck } from './QuickCheck'
import { GoingRun } from './GoingRun'
import { NumbersHere } from '../handbook/NumbersHere'

const NUMBERS = ['mean', 'spread', 'relation', 'tolerance', 'odds', 'forecast'] as const
import { Report } from './Report'
import { useNow } from './useNow'

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
