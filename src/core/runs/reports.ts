import { DAY_MS } from '../units/time'
import { benchHead, lastKnown, stateOf, type BenchHead } from '../bench/standing'
import { even } from '../evening/even'
import type { EvenAnswer } from '../evening/types'
import { spreadAgainst } from '../evening/confidence'
import { stateLugHz } from '../head/belief'
import { sidesOf } from '../records/plain'
import type { Drum, Side } from '../records/kit'
import type { Source } from '../records/event'
import { evenRequestFor } from '../bench/request'
import { forecastOf } from '../drift/headForecast'
import { HORIZON_DAYS, type DriftCause } from '../drift/forecast'
import { playsOn } from '../drift/films'
import type { KitState } from '../log/fold'
import { DEFAULT_SETTINGS } from '../records/plain'

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
  /** Day by which the head has as likely left its band as not, and the days that hold 80%; the last one no later than can be told. */
  leavesAt: string
  from: string
  to: string
  cause: DriftCause
}

export interface ReportOptions {
  drum?: string
  side?: Side
}

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
    forecast: dayOfLeaving(kit, head, nowMs),
    head: {
      fittedOn: head.fittedAt?.slice(0, 10) ?? drum[side].fittedOn,
      plays: playsOn(kit, head.log, drum, side, nowMs),
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

function dayOfLeaving(kit: KitState, { drum, side }: BenchHead, nowMs: number): Forecast | null {
  const forecast = forecastOf(kit, drum, side, kit.simulated, nowMs)
  if (!forecast || forecast.readOut || forecast.leavesMs === null || forecast.cause === null) return null
  const iso = (ms: number) => new Date(ms).toISOString().slice(0, 10)
  return {
    leavesAt: iso(forecast.leavesMs),
    from: iso(forecast.fromMs ?? forecast.leavesMs),
    to: iso(forecast.toMs ?? nowMs + HORIZON_DAYS * DAY_MS),
    cause: forecast.cause,
  }
}
