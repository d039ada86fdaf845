'use client'

import { useState, type FormEvent } from 'react'
import { hereOf } from '@/session/here'
import { lanesOf } from '@/session/logbookView'
import { useKit, useSelect, useSession } from '@/session/react'
import { useForecasts } from '@/session/useForecasts'
import { Choice } from '@/ui/Choice'
import { HeldAgainst } from '../HeldAgainst'
import { FindPart } from './FindPart'
import { HeadsPart } from './HeadsPart'
import { Headline } from './Headline'
import { LaneDetail } from './LaneDetail'
import { Lanes } from './Lanes'
import { ReportPart } from './ReportPart'
import { filmAges } from '@/core/drift/films'
import type { KitState } from '@/core/log/fold'
import { sidesOf } from '@/core/records/plain'
import { noteDay } from '@/session/actions/diary'
import type { Session } from '@/session/session'
import { dateText, occasionText } from '@/text/logbook'
import { Button } from '@/ui/Button'
import { INPUT_CLASS } from '@/ui/Field'
import { useCommander } from '../shell/commander'
import { BackupLine } from './BackupLine'

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

/** How often each head was played, and how old it is. */
function PlaysTable({ kit, nowMs }: { kit: KitState; nowMs: number }) {
  const ages = filmAges(kit, kit.simulated, nowMs)
  const of = (drum: string, side: string) => ages.find(({ on }) => on?.drum.id === drum && on.side === side)
  return (
    <table className="mt-5 w-full border-t border-line">
      <thead className="text-left text-[15px] text-soft">
        <tr>
          <th scope="col" className="pt-2 font-normal">
            plays and weeks
          </th>
          <th scope="col" className="pt-2 text-right font-normal">
            batter
          </th>
          <th scope="col" className="pt-2 text-right font-normal">
            resonant
          </th>
        </tr>
      </thead>
      <tbody>
        {kit.drums.map((drum) => (
          <tr key={drum.id}>
            <th scope="row" className="py-0.5 text-left text-[17px] font-normal">
              {drum.name}
            </th>
            {(['batter', 'resonant'] as const).map((side) => {
              const film = sidesOf(drum).includes(side) ? of(drum.id, side) : undefined
              return (
                <td key={side} className="text-right whitespace-nowrap">
                  {film ? (
                    <>
                      <span className="text-lg font-bold">{film.plays}</span>{' '}
                      <span className="inline-block w-12 text-soft">
                        {film.weeks === null ? '?' : Math.round(film.weeks)} w
                      </span>
                    </>
                  ) : null}
                </td>
              )
            })}
          </tr>
        ))}
      </tbody>
    </table>
  )
}

const ACTS = [
  { id: 'log.gig', label: 'gig' },
  { id: 'log.rehearsal', label: 'rehearsal' },
  { id: 'log.weather', label: 'weather' },
]

/** What was written down lately and what comes, a note for today, and what is in no file yet. */
function DaysFoot({ session, kit, nowMs }: { session: Session; kit: KitState; nowMs: number }) {
  const { run } = useCommander()
  const [words, setWords] = useState('')
  const submit = (event: FormEvent) => {
    event.preventDefault()
    noteDay(session, words, nowMs, null)
    setWords('')
  }
  const { notes, occasions } = kit.diary
  const next = occasions.find(({ on, cancelled }) => !cancelled && Date.parse(on) > nowMs)
  return (
    <section aria-label="Days" className="mt-4 border-t border-line pt-3">
      <ul className="text-[15px] leading-snug">
        {next ? (
          <li className="flex gap-3">
            <span className="w-14 shrink-0 text-soft">{dateText(next.on)}</span>
            <span>{occasionText(next)}, to come</span>
          </li>
        ) : null}
        {[...notes]
          .reverse()
          .slice(0, 3)
          .map(({ id, on, drum, words: said }) => (
            <li key={id} className="mt-1 flex gap-3">
              <span className="w-14 shrink-0 text-soft">{dateText(on)}</span>
              <span>
                {drum === null ? '' : `${kit.drums.find((each) => each.id === drum)?.name ?? 'a drum'}: `}
                {said}
              </span>
            </li>
          ))}
      </ul>
      <form onSubmit={submit} className="mt-3 flex gap-2">
        <input
          aria-label="A note for today"
          placeholder="a note for today"
          maxLength={500}
          value={words}
          onChange={(event) => setWords(event.target.value)}
          className={INPUT_CLASS}
        />
        {words.trim() ? <Button type="submit">Note it</Button> : null}
      </form>
      <div className="mt-1 flex flex-wrap">
        {ACTS.map(({ id, label }) => (
          <Button key={id} tone="quiet" className="underline" onClick={() => run(id)}>
            note {label}
          </Button>
        ))}
      </div>
      <BackupLine session={session} kit={kit} />
    </section>
  )
}
