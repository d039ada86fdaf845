import { format } from 'date-fns'
import type { HeadForecast } from '@/core/status/forecast'
import type { Diary, Occasion } from '@/core/log/diary'
import type { PastSitting, Worker } from '@/core/log/history'
import type { Source } from '@/core/records/event'
import type { Drum, Side, Target } from '@/core/records/kit'
import { leavesText } from './forecast'
import { offText } from './heads'
import { fixed } from './shown'
import { handText } from './hand'
import { listText, turnsLabel } from './turns'

const SOURCES: Record<Source, string> = {
  microphone: 'microphone',
  file: 'recording',
  practice: 'simulated',
  typed: 'typed',
  ear: 'by ear',
  gauge: 'by gauge',
  hand: 'by hand',
}

export const sourceText = (by: Source | null) => (by ? SOURCES[by] : 'not read')

/** Who it was and where: "Ana, Ben", "another device"; nothing where it was here and nobody gave a name. */
export function whoText(who: readonly Worker[] | undefined, own: string | null): string {
  const told = (who ?? []).map(
    ({ by, device }) => by ?? (device === null || device === own ? '' : 'another device'),
  )
  return [...new Set(told.filter(Boolean))].join(', ')
}

export const dateText = (at: string | number) => format(new Date(at), 'd MMM')
export const dateTimeText = (at: string | number) => format(new Date(at), 'd MMM yyyy, HH:mm')

/** A gig in a line: "gig, 120 min, Lower lounge, load-in 17:00, doors 19:00". */
export function occasionText(occasion: Occasion): string {
  const { what, cancelled } = occasion
  return [cancelled ? `${what}, called off` : what, occasionDetails(occasion)].filter(Boolean).join(', ')
}

/** The same without what it was. */
export function occasionDetails({ minutes, room, loadInAt, doorsAt, words }: Occasion): string {
  const clock = (at: string) => format(new Date(at), 'HH:mm')
  return [
    minutes === null ? '' : `${minutes} min`,
    room ?? '',
    loadInAt ? `load-in ${clock(loadInAt)}` : '',
    doorsAt ? `doors ${clock(doorsAt)}` : '',
    words,
  ]
    .filter(Boolean)
    .join(', ')
}

/** When a sitting was: the year only where it is another one. */
export const sittingTimeText = (at: string, nowMs: number) =>
  format(
    new Date(at),
    new Date(at).getFullYear() === new Date(nowMs).getFullYear() ? 'd MMM, HH:mm' : 'd MMM yyyy',
  )

/** What was found and left in a sitting, for a row of the table. */
export function sittingWords({ found, left, turns, presses, dials, byEar }: PastSitting): string {
  const dial = dials?.left ?? dials?.found
  return [
    turns ? turnsLabel(turns) : 'not turned',
    presses ? (presses === 1 ? 'pressed' : `pressed ${presses} times`) : '',
    dial ? handText({ dials: [...dial] }) : '',
    byEar ? 'by ear' : '',
    found || left || dial || byEar ? '' : 'no pitch read',
  ]
    .filter(Boolean)
    .join(', ')
}

/** As much of a lane as its words need. */
interface Told {
  drum: Drum
  side: Side
  points: ReadonlyArray<{ ms: number; hz: number; out: boolean }>
  turns: readonly unknown[]
  byHand: readonly unknown[]
  changes: readonly number[]
  target: Target | null
  now: { cents: number; sd: number } | null
}

/** A lane in words: what was read, where it stands, when it leaves. */
export function laneText(lane: Told, forecast: HeadForecast | null, nowMs: number): string {
  const { drum, side, points, turns, changes, target, now } = lane
  const name = `${drum.name} ${side}`
  const newest = points.at(-1)
  if (!newest) return `${name}: ${lane.byHand.length ? 'measured by hand, pitch never read' : 'never read'}`
  const outs = points.filter(({ out }) => out).length
  const parts = [
    `${points.length} ${points.length === 1 ? 'reading' : 'readings'} since ${dateText(points[0].ms)}`,
    outs ? `${outs} of them out of its band` : target ? 'all in its band' : '',
    turns.length ? `turned ${turns.length} times` : '',
    changes.length ? `new head on ${listText(changes.map(dateText))}` : '',
    `read last on ${dateText(newest.ms)}, ${fixed(newest.hz, 1)} hertz`,
    now && target ? `believed ${offText(now.cents)} now, give or take ${Math.round(now.sd)} cents` : '',
  ]
  const leaves = forecast ? `. ${leavesText(name, forecast, nowMs)}` : ''
  return `${name}: ${parts.filter(Boolean).join(', ')}${leaves}`
}

/** Gigs and weather over the lanes, in words. */
export function daysLabel({ occasions, air }: Diary, nowMs: number): string {
  const held = occasions.filter(({ cancelled }) => !cancelled)
  const ahead = held.filter(({ on }) => Date.parse(on) > nowMs)
  const damp = [...air.values()].flatMap(({ humidity }) =>
    humidity.count ? [humidity.sum / humidity.count] : [],
  )
  const next = ahead[0] ? `, the next on ${dateText(ahead[0].on)}` : ''
  const weather = damp.length
    ? `humidity on ${damp.length} days, ${Math.round(Math.min(...damp))} to ${Math.round(Math.max(...damp))} percent`
    : 'no weather noted'
  return `${held.length - ahead.length} times played, ${ahead.length} to come${next}; ${weather}`
}

/** What only this device has: "31 acts of this kit are in no file yet; the last one is of 3 May." */
export function notInFileText({
  count,
  more,
  filedAt,
}: {
  count: number
  more: boolean
  filedAt: string | null
}): string {
  const last = filedAt ? `the last file is of ${dateText(filedAt)}` : 'it was never put into one'
  if (count === 0) return `All of this kit is in a file; ${last}.`
  const acts = more ? `More than ${count} acts` : count === 1 ? 'One act' : `${count} acts`
  return `${acts} of this kit ${count === 1 && !more ? 'is' : 'are'} in no file yet; ${last}.`
}

/** What the run is for: "For the gig in Lounge: load-in 17:00, doors 19:00." */
export function tonightText({ what, room, loadInAt, doorsAt, on }: Occasion): string {
  const clock = (at: string) => format(new Date(at), 'HH:mm')
  const times = [
    loadInAt ? `load-in ${clock(loadInAt)}` : '',
    doorsAt ? `doors ${clock(doorsAt)}` : `begins ${clock(on)}`,
  ]
  return `For the ${what}${room ? ` in ${room}` : ''}: ${times.filter(Boolean).join(', ')}.`
}
