import { heldOccasions } from '@/core/log/diary'
import { drumLog, type KitState } from '@/core/log/fold'
import type { PastSitting } from '@/core/log/history'
import type { Drum, Side } from '@/core/records/kit'
import { centsBetween } from '@/core/units/pitch'
import { DAY_MS } from '@/core/units/time'
import { occasionDetails, sittingWords } from '@/text/logbook'
import { fixed } from '@/text/shown'
import type { LaneView } from './logbookView'

/** Something that stands in the Logbook, for finding it. */
export interface Entry {
  id: string
  ms: number
  drum: Drum | null
  room: string | null
  /** Id of the sheet it was played from or kept on. */
  sheet: string | null
  what: string
  words: string
  /** Of a gig or rehearsal: which. */
  occasion?: string
}

export interface Wanted {
  words: string
  drum: string
  room: string
  sheet: string
  fromMs: number | null
  toMs: number | null
}

/** Everything written down and done, newest first. */
export function entriesOf(kit: KitState, lanes: readonly LaneView[]): Entry[] {
  const drumOf = (id: string | null) => kit.drums.find((drum) => drum.id === id) ?? null
  const occasions = kit.diary.occasions.map((each): Entry => ({
    ...{ id: each.id, ms: Date.parse(each.on), drum: null, room: each.room, sheet: each.sheet },
    what: each.cancelled ? `${each.what}, called off` : each.what,
    ...{ words: occasionDetails(each), occasion: each.id },
  }))
  const notes = kit.diary.notes.map(({ id, on, drum, words }): Entry => ({
    ...{ id, ms: Date.parse(on), drum: drumOf(drum), room: null, sheet: null, what: 'note', words },
  }))
  const sittings = lanes.flatMap(({ key, drum, side, history, changes }) => [
    ...history.map((past): Entry => ({
      ...{ id: `${key}/${past.from}`, ms: Date.parse(past.from), drum, room: null, sheet: null },
      what: 'sitting',
      words: `${side}: ${pitches(past)}${sittingWords(past)}`,
    })),
    ...changes.map((ms): Entry => ({
      ...{
        id: `${key}/new/${ms}`,
        ms,
        drum,
        room: null,
        sheet: null,
        what: 'new head',
        words: `${side}: another head came on`,
      },
    })),
  ])
  const sheets = kit.sheets.flatMap(({ id, name, versions }) =>
    versions.map((version): Entry => ({
      ...{ id: version.id, ms: Date.parse(version.at), drum: null, room: null, sheet: id },
      ...{ what: 'sheet', words: `${name} kept${version.notes ? `: ${version.notes}` : ''}` },
    })),
  )
  return [...occasions, ...notes, ...sittings, ...sheets].sort((a, b) => b.ms - a.ms)
}

function pitches({ found, left }: PastSitting): string {
  const [from, to] = [found && fixed(found.hz, 1), left && fixed(left.hz, 1)]
  return from && to && from !== to ? `${from} to ${to} Hz, ` : from || to ? `${to ?? from} Hz, ` : ''
}

/** Those that are wanted: every word somewhere in it, and the rest as chosen; a room or a sheet finds the days on which it was played. */
export function found(entries: readonly Entry[], kit: KitState, wanted: Wanted): Entry[] {
  const words = wanted.words.toLowerCase().split(/\s+/).filter(Boolean)
  const dayOf = (ms: number) => new Date(ms).toDateString()
  const played = heldOccasions(kit.diary).filter(
    ({ room, sheet }) => (!wanted.room || room === wanted.room) && (!wanted.sheet || sheet === wanted.sheet),
  )
  const days = wanted.room || wanted.sheet ? new Set(played.map(({ on }) => dayOf(Date.parse(on)))) : null
  return entries.filter((entry) => {
    const text = `${entry.what} ${entry.drum?.name ?? ''} ${entry.room ?? ''} ${entry.words}`.toLowerCase()
    return (
      words.every((word) => text.includes(word)) &&
      (!wanted.drum || entry.drum?.id === wanted.drum) &&
      (wanted.fromMs === null || entry.ms >= wanted.fromMs) &&
      (wanted.toMs === null || entry.ms < wanted.toMs) &&
      (days === null || days.has(dayOf(entry.ms)) || (wanted.sheet !== '' && entry.sheet === wanted.sheet))
    )
  })
}

/** One head on two days. */
export interface TwoDays {
  drum: Drum
  side: Side
  oneHz: number | null
  otherHz: number | null
  cents: number | null
  /** Net mean turns of all rods between the two. */
  turns: number | null
  oneRing: number | null
  otherRing: number | null
}

/** How every head stood at the end of two days, over each other. */
export function twoDays(
  kit: KitState,
  lanes: readonly LaneView[],
  oneMs: number,
  otherMs: number,
): TwoDays[] {
  return lanes.flatMap(({ drum, side, history }) => {
    const [oneHz, otherHz] = [hzBy(history, oneMs), hzBy(history, otherMs)]
    if (oneHz === null && otherHz === null) return []
    const [first, last] = [Math.min(oneMs, otherMs), Math.max(oneMs, otherMs)]
    const between = history.filter(
      ({ to, turns }) => turns && Date.parse(to) >= first && Date.parse(to) < last,
    )
    const turned = between.reduce(
      (sum, { turns }) => sum + turns!.reduce((a, b) => a + b, 0) / turns!.length,
      0,
    )
    const sign = otherMs >= oneMs ? 1 : -1
    return [
      {
        ...{ drum, side, oneHz, otherHz, turns: between.length ? sign * turned : null },
        cents: oneHz === null || otherHz === null ? null : centsBetween(oneHz, otherHz),
        oneRing: side === 'batter' ? ringBy(kit, drum, oneMs) : null,
        otherRing: side === 'batter' ? ringBy(kit, drum, otherMs) : null,
      },
    ]
  })
}

/** Pitch that was read last before a moment. */
function hzBy(history: readonly PastSitting[], ms: number): number | null {
  const past = history.findLast(({ from, left, found: was }) => Date.parse(from) < ms && (left ?? was))
  return (past?.left ?? past?.found)?.hz ?? null
}

function ringBy(kit: KitState, drum: Drum, ms: number): number | null {
  const stroke = drumLog(kit, drum.id, kit.simulated).strokes.findLast(
    ({ event }) => Date.parse(event.at) < ms,
  )
  return stroke?.event.decaySeconds ?? null
}

/** A day on which the kit stood much as it does now. */
export interface LikeNow {
  ms: number
  /** Root mean square over the heads that both days know, in cents, and how many those are. */
  cents: number
  heads: number
}

/** Days are as near as now when they are this close to it. */
const LATELY_DAYS = 2
const APART_DAYS = 4

/** When it last sounded like this: days on which something was read, by how near all heads stood to where they stand now. */
export function likeNow(lanes: readonly LaneView[], nowMs: number, most = 3): LikeNow[] {
  const now = new Map(lanes.map(({ key, history }) => [key, hzBy(history, nowMs)]))
  const latest = Math.max(
    0,
    ...lanes.flatMap(({ history }) => history.slice(-1).map(({ to }) => Date.parse(to))),
  )
  const days = new Set(
    lanes.flatMap(({ history }) => history.map(({ to }) => Math.floor(Date.parse(to) / DAY_MS))),
  )
  const all = [...days].flatMap((day): LikeNow[] => {
    const ms = (day + 1) * DAY_MS
    if (ms > latest - LATELY_DAYS * DAY_MS) return []
    const offs = lanes.flatMap(({ key, history }) => {
      const [then, is] = [hzBy(history, ms), now.get(key) ?? null]
      return then === null || is === null ? [] : [centsBetween(then, is)]
    })
    if (offs.length < 2) return []
    const cents = Math.sqrt(offs.reduce((sum, off) => sum + off * off, 0) / offs.length)
    return [{ ms: ms - DAY_MS / 2, cents, heads: offs.length }]
  })
  const kept: LikeNow[] = []
  for (const day of all.sort((a, b) => a.cents - b.cents || b.ms - a.ms)) {
    // Days of one tuning are one answer.
    if (kept.length < most && kept.every(({ ms }) => Math.abs(ms - day.ms) > APART_DAYS * DAY_MS))
      kept.push(day)
  }
  return kept
}
