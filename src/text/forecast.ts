import { addDays } from 'date-fns/addDays'
import { isSameDay } from 'date-fns/isSameDay'
import type { HeadStatus } from '@/core/status/head'
import { centsBetween } from '@/core/units/pitch'
import type { HeadForecast } from '@/core/status/forecast'
import { ratesOf } from '@/core/drift/ageing'
import type { KeptForecast } from '@/core/drift/kept'
import type { DriftCause, Passage } from '@/core/drift/forecast'
import type { RodLoss } from '@/core/drift/rods'
import { DAY_MS } from '@/core/units/time'
import { listText, turnText } from './turns'

/** A day as people say it: its name within the week, its date beyond. */
export function dayText(ms: number, nowMs: number): string {
  const day = new Date(ms)
  if (isSameDay(day, nowMs)) return 'today'
  if (isSameDay(day, addDays(nowMs, 1))) return 'tomorrow'
  if (isSameDay(day, addDays(nowMs, -1))) return 'yesterday'
  const apart = Math.abs(ms - nowMs) / DAY_MS
  // By the browser's own calendar: Kit says this too, and a formatter would weigh as much as all of it.
  const said = (parts: Intl.DateTimeFormatOptions) => new Intl.DateTimeFormat('en-GB', parts).format(day)
  if (apart < 6.5 && ms > nowMs) return said({ weekday: 'long' })
  const month = said({ month: 'short' }).slice(0, 3)
  return `${day.getDate()} ${month}${apart < 300 ? '' : ` ${day.getFullYear()}`}`
}

/** With "on" where that is said. */
const onDay = (ms: number, nowMs: number) => {
  const day = dayText(ms, nowMs)
  return day === 'today' || day === 'tomorrow' || day === 'yesterday' ? day : `on ${day}`
}

/** From the first to the last day that holds 80%. */
export function rangeText({ fromMs, leavesMs, toMs }: Passage, nowMs: number): string {
  const from = dayText(fromMs ?? leavesMs ?? nowMs, nowMs)
  if (toMs === null) return `${from} to beyond half a year`
  const to = dayText(toMs, nowMs)
  return from === to ? from : `${from} to ${to}`
}

/** When a head leaves its band, as one sentence. */
export function leavesText(head: string, passage: Passage, nowMs: number): string {
  const { leavesMs, outNow, readOut } = passage
  if (readOut) return `${head} was read out of its band`
  if (outNow > 0.5) return `${head} is likely out of its band already`
  if (leavesMs === null) return `${head} stays in its band for half a year, as far as anyone can say`
  return `${head} leaves its band ${onDay(leavesMs, nowMs)}, ${rangeText(passage, nowMs)}`
}

const CAUSES: Record<DriftCause, string> = {
  settling: 'its film still settles',
  rods: 'its rods back off',
  weather: 'the air moves it',
}

export const causeText = (cause: DriftCause) => CAUSES[cause]

const cents = (value: number) => (Math.abs(value) < 9.95 ? value.toFixed(1) : value.toFixed(0))
const moved = (value: number) => `${cents(Math.abs(value))} c ${value < 0 ? 'lower' : 'higher'}`
const few = ['no', 'one', 'two', 'three', 'four', 'five', 'six', 'seven', 'eight', 'nine', 'ten']
const countText = (count: number) => few[count] ?? String(count)

/** Why that day: what its own history says of the three causes. */
export function whyThatDay({
  cause,
  ageing,
  gigsBefore,
  leavesMs,
}: Pick<HeadForecast, 'cause' | 'ageing' | 'gigsBefore' | 'leavesMs'>): string {
  const rates = ratesOf(ageing)
  const learned =
    ageing.readings < 4 ? ' So far that is what heads usually do; its own readings are few.' : ''
  const gig = `It falls ${cents(rates.gig.mean)} c a gig`
  if (cause === 'rods') {
    const between = rates.settling.mean > 9 ? '' : ', hardly between'
    const come =
      leavesMs === null || gigsBefore === 0
        ? '; none is noted before that day, so it goes by how often you play'
        : `, and ${countText(gigsBefore)} ${gigsBefore === 1 ? 'gig comes' : 'gigs come'} before`
    return `${gig}${between}${come}.${learned}`
  }
  if (cause === 'settling')
    return `Its film is young: it falls some ${cents(rates.settling.mean * Math.LN2)} c each time its age doubles.${learned}`
  if (cause === 'weather')
    return `A degree warmer it stands ${moved(rates.celsius.mean)}, ten percent damper ${moved(10 * rates.humidity.mean)}; what the air does decides.${learned}`
  return `${gig}, less than its band leaves room for.${learned}`
}

/** How likely a head is still in its band, in odds that people say. */
export function oddsText(out: number): string {
  const there = 1 - out
  if (there > 0.97) return 'almost surely still there'
  if (there > 0.88) return 'very likely still there'
  if (there > 0.5) return `${Math.round(there * 10)} in 10 still there`
  return out > 0.95 ? 'almost surely moved' : `${Math.round(out * 10)} in 10 moved`
}

/** When it was read, and what was likely done since. */
export function sinceText({ asRead, pitch }: Pick<HeadStatus, 'asRead' | 'pitch'>, nowMs: number): string {
  const days = (nowMs - Date.parse(asRead!.at)) / DAY_MS
  const movedCents = centsBetween(asRead!.hz, pitch.hz!)
  const when =
    days < 0.5
      ? 'read today'
      : days < 1.5
        ? 'read yesterday'
        : days < 60
          ? `read ${Math.round(days)} days ago`
          : `read ${Math.round(days / 7)} weeks ago`
  if (days < 0.5) return when
  const since = Math.abs(movedCents) < 0.5 ? 'hardly moved' : `likely ${moved(movedCents)}`
  return `${when}, ${since} since`
}

/** Which rods back off between sessions. */
export function rodLossText({ rods, turns, errorTurns, by, spans }: RodLoss): string {
  const names = listText(rods.map(String))
  const over = `over the last ${spans} spans between sittings`
  const sure = turns > 2 * errorTurns ? '' : ', within what readings differ by anyway'
  return by === 'gauge'
    ? `rod ${names} fell ${turns.toFixed(1)} on the dial behind the others, ${over}${sure}`
    : `pair ${names} fell ${turnText(turns)} behind the others, ${over}${sure}`
}

export function lockText(losses: readonly RodLoss[]): string | null {
  if (losses.length === 0) return null
  const rods = losses.flatMap(({ by, unlocked }) => (by === 'gauge' ? unlocked : unlocked.slice(0, 1)))
  const one = rods.length === 1
  const pair = losses.some(({ by }) => by === 'pitch')
    ? ' Pitch names the pair, not the side: feel both, and lock the loose one first.'
    : ''
  return `Lock ${one ? 'rod' : 'rods'} ${listText(rods.map(String))}.${pair}`
}

/** Whether a reading lay where it was foreseen: "kept, 1 c lower", "broken, 12 c lower". */
export function keptText(kept: KeptForecast | undefined): string {
  if (!kept) return ''
  const off = Math.round(kept.cents)
  return `${kept.kept ? 'kept' : 'broken'}, ${off === 0 ? 'as foreseen' : `${Math.abs(off)} c ${off < 0 ? 'lower' : 'higher'}`}`
}
