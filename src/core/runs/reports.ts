import { DAY_MS } from '../units/time'
import { even } from '../evening/even'
import type { EvenAnswer } from '../evening/types'
import { sidesOf } from '../records/plain'
import type { Drum, Side } from '../records/kit'
import type { Source } from '../records/event'
import { forecastOf } from '../status/forecast'
import { HORIZON_DAYS, type DriftCause } from '../drift/forecast'
import { playsOn } from '../drift/films'
import { DEFAULT_SETTINGS } from '../records/plain'
import { drumStatus, headIn, type DrumStatus } from '../status/drum'
import type { HeadStatus } from '../status/head'
import { kitStatus } from '../status/kit'
import { requestOf, type Here } from '../status/inputs'
import { nextOfHead, nextOfKit, type HeadNext } from '../status/next'
import { knownKit, planDrumOf } from '../sheets/planning'
import { judgeKit, type Move, type Verdict } from '../spacing/verdict'
import type { LayerId } from '../pair/layers'

const { keys, largestStepTurns } = DEFAULT_SETTINGS
const CHOICES = { keys, largestStepTurns }

/** What the app would say of one head: the same functions as on the Bench, from the log alone. */
export interface HeadReport {
  drum: string
  name: string
  side: Side
  sitting: { startedAt: string; rounds: number; source: Source } | null
  /** The Bench's answer for the sitting under way. */
  even: EvenAnswer | null
  believed: { meanHz: number; errorCents: number; spreadCents: number | null; readAt: string } | null
  status: Pick<HeadStatus, 'pitch' | 'evenness' | 'verdict' | 'offCents'> & { next: HeadNext | null }
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

/** Every head of a kit, drums in order, the batter first; those of the world that is asked for. */
export function headReports(here: Here, { drum, side }: ReportOptions = {}): HeadReport[] {
  return here.kit.drums
    .filter(({ id }) => drum === undefined || id === drum)
    .flatMap((each) =>
      sidesOf(each)
        .filter((one) => !side || one === side)
        .map((one) => reportOf(here, each, one)),
    )
}

function reportOf(here: Here, drum: Drum, side: Side): HeadReport {
  const head = headIn(here, drum, side)
  const { sitting, pitch, evenness, asRead } = head
  return {
    ...{ drum: drum.id, name: drum.name, side },
    sitting: sitting && {
      startedAt: sitting.startedAt,
      rounds: sitting.passes.length,
      source: head.log.readBy ?? 'hand',
    },
    even: sitting && even(requestOf(head, head.otherHz, { open: true, ...CHOICES })),
    believed: asRead && {
      ...{ meanHz: pitch.hz!, errorCents: pitch.errorCents! },
      ...{ spreadCents: evenness.spreadCents, readAt: asRead.at },
    },
    status: {
      ...{ pitch, evenness, verdict: head.verdict, offCents: head.offCents },
      next: nextOfHead(head),
    },
    forecast: dayOfLeaving(here, head),
    head: {
      fittedOn: head.fittedAt?.slice(0, 10) ?? drum[side].fittedOn,
      plays: playsOn(here.kit, head.log, drum, side, here.nowMs),
    },
  }
}

/** What the app would say of a whole drum beside its heads. */
export interface DrumReport {
  drum: string
  centre: DrumStatus['centre']
  sustainSeconds: number | null
  muffling: LayerId[]
}

/** What of a kit does not fit together, each with the move that mends it, and what comes next. */
export interface KitReport {
  kit: string
  fit: Array<{
    what: 'close' | 'mixed' | 'sympathetic'
    drums: string[]
    hz: number | null
    fix: Move | null
  }>
  next: { what: string; drum?: string; side?: Side } | null
}

export function drumReports(here: Here, { drum }: ReportOptions = {}): DrumReport[] {
  return here.kit.drums
    .filter(({ id }) => drum === undefined || id === drum)
    .map((each) => {
      const { centre, sustainSeconds, pair } = drumStatus(here, each)
      return { drum: each.id, centre, sustainSeconds, muffling: pair.layers }
    })
}

export function kitReport(here: Here): KitReport {
  const { verdicts, moves } = judgeKit(knownKit(here).drums.map(planDrumOf))
  const next = nextOfKit(here, kitStatus(here), keys)
  return {
    kit: here.kit.id,
    fit: verdicts.map((verdict, i) => ({ ...fitOf(verdict), fix: moves[i] })),
    next: next && {
      what: next.what,
      ...('drum' in next ? { drum: next.drum.id } : {}),
      ...('side' in next ? { side: next.side } : {}),
    },
  }
}

function fitOf(verdict: Verdict): Omit<KitReport['fit'][number], 'fix'> {
  switch (verdict.what) {
    case 'close':
      return { what: 'close', drums: [verdict.drum, verdict.next], hz: null }
    case 'mixed':
      return { what: 'mixed', drums: [verdict.drum], hz: null }
    case 'answers':
      return { what: 'sympathetic', drums: [verdict.drum, verdict.tom], hz: verdict.nearest.hz }
  }
}

function dayOfLeaving(here: Here, head: HeadStatus): Forecast | null {
  const forecast = forecastOf(here, head)
  if (!forecast || forecast.readOut || forecast.leavesMs === null || forecast.cause === null) return null
  const iso = (ms: number) => new Date(ms).toISOString().slice(0, 10)
  return {
    leavesAt: iso(forecast.leavesMs),
    from: iso(forecast.fromMs ?? forecast.leavesMs),
    to: iso(forecast.toMs ?? here.nowMs + HORIZON_DAYS * DAY_MS),
    cause: forecast.cause,
  }
}
