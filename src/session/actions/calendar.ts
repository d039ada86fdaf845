import { headKey } from '@/core/log/headKey'
import ical, { ICalCalendarMethod, ICalEventStatus } from 'ical-generator'
import type { KitState } from '@/core/log/fold'
import { headLog } from '@/core/log/fold'
import { sidesOf } from '@/core/records/plain'
import { causeText, rangeText } from '@/text/forecast'
import { occasionText } from '@/text/logbook'
import { fileName, saveBlob } from '@/files/save'
import type { Forecasts } from '../forecasts'
import type { Session } from '../session'

const DAY_MS = 24 * 3600 * 1000
const GIG_MINUTES = 120

/**
 * Gigs, rehearsals, days of retuning and head changes of a kit as an iCalendar file (RFC 5545). Every entry keeps its UID, and its
 * SEQUENCE rises with every file: a second import updates the first.
 */
export function calendarOf(kit: KitState, forecasts: Forecasts, nowMs: number): string {
  const calendar = ical({
    name: kit.name,
    prodId: { company: 'humbra', product: 'logbook' },
    method: ICalCalendarMethod.PUBLISH,
  })
  const sequence = Math.floor(nowMs / 60_000) % 2 ** 31
  const common = { stamp: new Date(nowMs), sequence }
  const uid = (...parts: string[]) => `${[kit.id, ...parts].join('/')}@humbra.invalid`
  for (const occasion of kit.diary.occasions) {
    const start = new Date(occasion.on)
    calendar.createEvent({
      ...common,
      id: uid('occasion', occasion.id),
      start,
      end: new Date(start.getTime() + (occasion.minutes ?? GIG_MINUTES) * 60_000),
      summary: `${kit.name}: ${occasion.what}`,
      description: occasionText(occasion),
      ...(occasion.room ? { location: occasion.room } : {}),
      status: occasion.cancelled ? ICalEventStatus.CANCELLED : ICalEventStatus.CONFIRMED,
    })
  }
  const heads = kit.drums.flatMap((drum) => sidesOf(drum).map((side) => ({ drum, side })))
  for (const { drum, side } of heads) {
    const key = headKey(drum.id, side)
    const forecast = forecasts.get(key)
    if (!forecast || forecast.leavesMs === null) continue
    const day = new Date(Math.max(nowMs, forecast.leavesMs))
    calendar.createEvent({
      ...common,
      id: uid('retune', key),
      start: day,
      end: new Date(day.getTime() + DAY_MS),
      allDay: true,
      summary: `Retune ${drum.name} ${side}`,
      description: `Expected to leave its band then; 8 in 10: ${rangeText(forecast, nowMs)}${forecast.cause ? `; ${causeText(forecast.cause)}` : ''}.`,
    })
  }
  for (const drum of kit.drums)
    for (const side of sidesOf(drum))
      for (const { film, from } of headLog(kit, drum.id, side, kit.simulated).stints) {
        if (from === null) continue
        const start = new Date(from)
        calendar.createEvent({
          ...common,
          id: uid('head', drum.id, side, film ?? 'first'),
          start,
          end: new Date(start.getTime() + DAY_MS),
          allDay: true,
          summary: `New ${side} on ${drum.name}`,
        })
      }
  return calendar.toString()
}

export function saveCalendar(session: Session, kit: KitState, forecasts: Forecasts): void {
  const text = calendarOf(kit, forecasts, session.deps.nowMs())
  saveBlob(new Blob([text], { type: 'text/calendar' }), fileName(kit.name, 'ics'))
}
