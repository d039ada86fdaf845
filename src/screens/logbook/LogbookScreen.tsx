'use client'

import { useState } from 'react'
import { hereOf } from '@/session/here'
import { lanesOf } from '@/session/logbookView'
import { useKit, useSelect, useSession } from '@/session/react'
import { useForecasts } from '@/session/useForecasts'
import { Choice } from '@/ui/Choice'
import { HeldAgainst } from '../HeldAgainst'
import { DaysFoot } from './DaysFoot'
import { FindPart } from './FindPart'
import { HeadsPart } from './HeadsPart'
import { Headline } from './Headline'
import { LaneDetail } from './LaneDetail'
import { Lanes } from './Lanes'
import { PlaysTable } from './PlaysTable'
import { ReportPart } from './ReportPart'

const PARTS = [
  { value: 'lanes', label: 'Lanes' },
  { value: 'heads', label: 'Heads' },
  { value: 'find', label: 'Find and compare' },
  { value: 'report', label: 'Report' },
] as const
type Part = (typeof PARTS)[number]['value']

/** What was read when, how long it holds, what comes next. */
export function LogbookScreen() {
  const session = useSession()
  const { phase, clockMs } = useSelect((state) => ({ phase: state.phase, clockMs: state.clockMs }))
  const kit = useKit()
  const [part, setPart] = useState<Part>('lanes')
  const [opened, setOpened] = useState<string | null>(null)
  const forecasts = useForecasts(kit, clockMs)
  if (!session || (phase === 'starting' && !kit)) return <p className="p-8 text-soft">Opening the log…</p>
  if (!kit || kit.drums.length === 0)
    return (
      <div className="px-4 md:px-7">
        <h1 className="pt-3 text-3xl font-bold md:pt-5 md:text-4xl">Logbook</h1>
        <p className="mt-4 max-w-xl text-lg">
          There is no drum yet. What is read on the bench stands here, a lane a head.
        </p>
      </div>
    )
  const nowMs = clockMs
  const lanes = lanesOf({ ...hereOf(session.get(), kit), nowMs })
  const open = lanes.find(({ key }) => key === opened)
  return (
    <div className="px-4 pb-8 md:px-7 print:p-0">
      <div className="flex flex-wrap items-center justify-between gap-x-6 pt-3 md:pt-4 print:hidden">
        <div className="flex flex-wrap items-center gap-x-4">
          <h1 className="text-3xl font-bold md:text-4xl">Logbook</h1>
          {kit.simulated ? <span className="font-bold text-caution">demo, simulated</span> : null}
          <HeldAgainst session={session} kit={kit} />
        </div>
        <Choice label="Part of the logbook" value={part} items={PARTS} onChange={setPart} />
      </div>
      {part === 'lanes' ? (
        <div className="mt-1 grid gap-x-8 lg:grid-cols-[minmax(0,1fr)_330px] lg:grid-rows-[auto_1fr]">
          <div className="min-w-0 max-lg:order-2 lg:row-span-2">
            <Lanes
              kit={kit}
              lanes={lanes}
              forecasts={forecasts}
              nowMs={nowMs}
              opened={opened}
              onOpen={setOpened}
            />
          </div>
          <div className="max-lg:order-1 lg:border-l lg:border-line lg:pt-3 lg:pl-6">
            <Headline {...{ session, kit, lanes, forecasts, nowMs, opened }} />
          </div>
          <div className="max-lg:order-4 lg:border-l lg:border-line lg:pl-6">
            <div className="max-lg:hidden">
              <PlaysTable kit={kit} nowMs={nowMs} />
            </div>
            <DaysFoot session={session} kit={kit} nowMs={nowMs} />
          </div>
          {open ? (
            <div className="min-w-0 max-lg:order-3 lg:col-span-2">
              <LaneDetail key={open.key} session={session} kit={kit} lane={open} />
            </div>
          ) : null}
        </div>
      ) : (
        <div className="mt-4">
          {part === 'heads' ? <HeadsPart {...{ session, kit, nowMs }} /> : null}
          {part === 'find' ? <FindPart {...{ session, kit, lanes, nowMs }} /> : null}
          {part === 'report' ? <ReportPart {...{ session, kit, lanes, forecasts, nowMs }} /> : null}
        </div>
      )}
    </div>
  )
}
