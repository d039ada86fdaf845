import { DAY_MS } from '../units/time'
import { benchHead, lastKnown, stateOf, type BenchHead } from '../bench/standing'
import { even } from '../evening/even'
import type { EvenAnswer } from '../evening/types'
import { spreadAgainst } from '../evening/confidence'
import { stateLugHz } from '../head/belief'
import { sidesOf } from '../records/plain'
import type { Drum, Side, Target } from '../records/kit'
import type { Source } from '../records/event'
import { centsBetween } from '../units/pitch'
import { evenRequestFor } from '../bench/request'
import { driftedCents, driftOf } from '../drift/drift'
import type { KitState } from '../log/fold'
import { DEFAULT_SETTINGS } from '../records/plain'
import { sheetTarget } from '../bench/targets'
import { outOf } from './worklist'

/** What the app would say of one head: the same functions as on the Bench, from the log alone. */
export interface HeadReport {
  drum: string
  name: string
  side: Side
  sitting: { startedAt: string; rounds: number; source: Source } | null
  /** The Bench's answer for the sitting under way. */
  even: EvenAnswer | null
  believed: { meanHz: number; errorCents: number; spreadCents: number; readAt: string } | null
  forecast: Forecast | null
  head: { fittedOn: string | null; plays: number }
}

export interface Forecast {
  /** Day on which the head is as likely out of its tolerance as not, and the days that hold 80%. */
  leavesAt: string
  from: string
  to: string
  cause: 'settling' | 'rods'
}

export interface ReportOptions {
  drum?: string
  side?: Side
}

/** No day is named further ahead. */
const FURTHEST_DAYS = 365
const MOST_LIKELY = 0.5
const EDGES = { from: 0.1, to: 0.9 }
/** A head is fresh for so many days: what moves it then is its settling. */
const FRESH_DAYS = 10

/** Every head of a kit, drums in order, the batter first; only practice readings in a kit that is simulated. */
export function headReports(kit: KitState, nowMs: number, { drum, side }: ReportOptions = {}): HeadReport[] {
  return kit.drums
    .filter(({ id }) => drum === undefined || id === drum)
    .flatMap((each) =>
      sidesOf(each)
        .filter((one) => !side || one === side)
        .map((one) => reportOf(kit, each, one, nowMs)),
    )
}

function reportOf(kit: KitState, drum: Drum, side: Side, nowMs: number): HeadReport {
  const practice = kit.simulated
  const head = benchHead(kit, drum, side, practice, nowMs)
  const other = lastKnown(benchHead(kit, drum, side === 'batter' ? 'resonant' : 'batter', practice, nowMs))
  const { sitting } = head
  const request = sitting && evenRequestFor(kit, head, other?.meanHz ?? null, DEFAULT_SETTINGS, true)
  return {
    ...{ drum: drum.id, name: drum.name, side },
    sitting: sitting && {
      startedAt: sitting.startedAt,
      rounds: sitting.passes.length,
      source: head.log.readBy ?? 'hand',
    },
    even: request ? even(request) : null,
    believed: believedOf(head),
    forecast: forecastOf(kit, head, nowMs),
    head: {
      fittedOn: head.fittedAt?.slice(0, 10) ?? drum[side].fittedOn,
      plays: head.log.strokes,
    },
  }
}

function believedOf(head: BenchHead): HeadReport['believed'] {
  const known = lastKnown(head)
  const sitting = head.sitting ?? head.before
  if (!known || !sitting) return null
  const lugHz = stateLugHz(stateOf(head, sitting, false).leading, head.drum.lugs)
  const even = { mean: known.meanHz ** 2, cosine: 0, sine: 0 }
  return {
    meanHz: known.meanHz,
    errorCents: known.meanErrorCents,
    spreadCents: spreadAgainst(lugHz, even),
    readAt: known.at,
  }
}

function forecastOf(kit: KitState, head: BenchHead, nowMs: number): Forecast | null {
  const { drum, side } = head
  const target = sheetTarget(kit, drum.id, side)
  const known = lastKnown(head)
  if (!target || !known) return null
  const drift = driftOf(head.log)
  const fitted = head.fittedAt ? Date.parse(head.fittedAt) : null
  const ageDays = fitted === null ? null : Math.max(0, (Date.parse(known.at) - fitted) / DAY_MS)
  const odds = (day: number) => outAfter(target, known, driftedCents(drift, day, ageDays))
  const since = Math.max(0, Math.round((nowMs - Date.parse(known.at)) / DAY_MS))
  const dayOf = (part: number) => {
    for (let day = since; day <= FURTHEST_DAYS; day++) if (odds(day) >= part) return day
    return null
  }
  const [from, leaves, to] = [EDGES.from, MOST_LIKELY, EDGES.to].map(dayOf)
  if (leaves === null) return null
  const iso = (day: number) => new Date(Date.parse(known.at) + day * DAY_MS).toISOString().slice(0, 10)
  return {
    leavesAt: iso(leaves),
    from: iso(from ?? leaves),
    to: iso(to ?? FURTHEST_DAYS),
    cause: ageDays !== null && ageDays < FRESH_DAYS ? 'settling' : 'rods',
  }
}

function outAfter(
  target: Target,
  known: NonNullable<ReturnType<typeof lastKnown>>,
  moved: { cents: number; sd: number },
): number {
  const off = centsBetween(target.meanHz, known.meanHz) + moved.cents
  return outOf(off, Math.hypot(moved.sd, known.meanErrorCents), null, target)
}
