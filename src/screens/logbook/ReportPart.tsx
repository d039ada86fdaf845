'use client'

import { format } from 'date-fns'
import { useState } from 'react'
import type { KitState } from '@/core/log/fold'
import { DAY_MS } from '@/core/units/time'
import type { Forecasts } from '@/session/forecasts'
import type { LaneView } from '@/session/logbookView'
import { seasonOf } from '@/session/season'
import { useSelect } from '@/session/react'
import type { Session } from '@/session/session'
import { dayText } from '@/text/forecast'
import { centsText } from '@/text/heads'
import { dateText, occasionText, whoText } from '@/text/logbook'
import { Button } from '@/ui/Button'
import { Pick } from '@/ui/Pick'
import { Table } from '@/ui/Table'
import { BackupLine } from './BackupLine'

const WEEKS = ['4', '8', '13', '26', '52']

interface Props {
  session: Session
  kit: KitState
  lanes: readonly LaneView[]
  forecasts: Forecasts
  nowMs: number
}

/** A season on one page, and what goes out of the Logbook. */
export function ReportPart({ session, kit, lanes, forecasts, nowMs }: Props) {
  const [weeks, setWeeks] = useState('13')
  const device = useSelect(({ settings }) => settings.device)
  const fromMs = nowMs - Number(weeks) * 7 * DAY_MS
  const season = seasonOf(kit, lanes, fromMs, nowMs)
  const sheet = kit.sheets.find(({ id }) => id === kit.sheet)
  const noted = kit.diary.notes.filter(({ on }) => Date.parse(on) >= fromMs)
  const ahead = kit.diary.occasions.filter(({ on, cancelled }) => !cancelled && Date.parse(on) > nowMs)
  const whoOf = ({ history }: LaneView) =>
    whoText(
      history.filter(({ from }) => Date.parse(from) >= fromMs).flatMap(({ who }) => who ?? []),
      device,
    )
  const named = lanes.some((lane) => whoOf(lane) !== '')
  const csv = async () => (await import('@/session/actions/logbookOut')).saveLogbookCsv(session, kit)
  const calendar = async () =>
    (await import('@/session/actions/calendar')).saveCalendar(session, kit, forecasts)
  return (
    <>
      <div className="flex flex-wrap items-center gap-3 print:hidden">
        <Pick
          label="back"
          value={weeks}
          items={WEEKS.map((value) => ({ value, label: `${value} weeks` }))}
          onChange={setWeeks}
        />
        <Button tone="act" onClick={() => window.print()}>
          Print it
        </Button>
        <Button onClick={() => void csv()}>CSV of everything shown</Button>
        <Button onClick={() => void calendar()}>Calendar of retune days and gigs</Button>
      </div>
      <div className="print:hidden">
        <BackupLine session={session} kit={kit} always />
      </div>
      <article aria-label="Report" className="mt-4 max-w-4xl print:mt-0 print:max-w-none print:text-black">
        <h2 className="text-2xl font-bold">
          {kit.name}, {format(fromMs, 'd MMM yyyy')} to {format(nowMs, 'd MMM yyyy')}
        </h2>
        <p className="mt-1 text-lg">{seasonText(season, sheet?.name ?? null)}</p>
        <Table
          label="Heads over the season"
          className="mt-2"
          heads={[
            ...['head', 'read', 'out of band', 'from, to (c)', 'turned', 'new heads', 'leaves its band'],
            ...(named ? ['who'] : []),
          ]}
          rows={season.heads.map(({ lane, readings, outs, least, most, turned, changed }) => {
            const forecast = forecasts.get(lane.key)
            return {
              key: lane.key,
              cells: [
                `${lane.drum.name} ${lane.side}`,
                String(readings),
                lane.target ? String(outs) : 'no sheet',
                least === null ? '' : `${centsText(least)} to ${centsText(most!)}`,
                String(turned),
                changed ? String(changed) : '',
                forecast?.readOut
                  ? 'was read out of it'
                  : forecast
                    ? forecast.leavesMs === null
                      ? 'not within half a year'
                      : dayText(forecast.leavesMs, nowMs)
                    : '',
                ...(named ? [whoOf(lane)] : []),
              ],
            }
          })}
        />
        {noted.length ? (
          <>
            <h3 className="mt-4 text-lg font-bold">Notes</h3>
            <ul>
              {noted.map(({ id, on, words }) => (
                <li key={id}>
                  <span className="text-soft">{dateText(on)}</span> {words}
                </li>
              ))}
            </ul>
          </>
        ) : null}
        {ahead.length ? (
          <>
            <h3 className="mt-4 text-lg font-bold">To come</h3>
            <ul>
              {ahead.slice(0, 8).map((each) => (
                <li key={each.id}>
                  <span className="text-soft">{dateText(each.on)}</span> {occasionText(each)}
                </li>
              ))}
            </ul>
          </>
        ) : null}
      </article>
    </>
  )
}

function seasonText(
  { gigs, rehearsals, minutes, rooms, sittings, humidity, celsius }: ReturnType<typeof seasonOf>,
  sheet: string | null,
): string {
  const of = (count: number, word: string) => `${count} ${count === 1 ? word : `${word}s`}`
  const range = ({ least, most }: { least: number; most: number }, unit: string) =>
    `${Math.round(least)} to ${Math.round(most)} ${unit}`
  return [
    `${of(gigs, 'gig')}, ${of(rehearsals, 'rehearsal')}${minutes ? `, ${Math.round(minutes / 60)} hours played` : ''}${rooms.length ? ` in ${rooms.join(', ')}` : ''}.`,
    `Read on ${of(sittings, 'day')}${sheet ? `, held against ${sheet}` : ''}.`,
    humidity
      ? `Humidity ${range(humidity, 'percent')}${celsius ? `, ${range(celsius, 'degrees')}` : ''}.`
      : '',
  ]
    .filter(Boolean)
    .join(' ')
}
