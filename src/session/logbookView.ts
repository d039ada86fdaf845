import { keptForecast, type KeptForecast } from '@/core/drift/kept'
import { rodLosses, rodsToLock, type RodLoss } from '@/core/drift/rods'
import { turnLawOf } from '@/core/membrane/turnLaw'
import { headIn } from '@/core/status/drum'
import { headAtHand, type Here } from '@/core/status/inputs'
import { daysOf, newSince } from '@/core/drift/headAgeing'
import { halfBand } from '@/core/status/forecast'
import { headKey } from '@/core/log/headKey'
import { headLog, type KitState } from '@/core/log/fold'
import { historyOf, type HeadLog } from '@/core/log/headLog'
import type { PastSitting, Reading } from '@/core/log/history'
import { sidesOf } from '@/core/records/plain'
import type { Drum, Side, Target } from '@/core/records/kit'
import { sheetTarget } from '@/core/status/targets'
import { centsBetween } from '@/core/units/pitch'
import { turnsLabel } from '@/text/turns'

/** One reading on a lane, cents from the target (or from the newest reading, where there is none). */
export interface LanePoint {
  ms: number
  cents: number
  errorCents: number
  /** Out of the sheet's band. */
  out: boolean
  hz: number
}

export interface LaneTurn {
  ms: number
  text: string
  /** Mean turn of all rods: up or down. */
  turns: number
}

/** One head of the Logbook, with everything that was read of it. */
export interface LaneView {
  key: string
  drum: Drum
  side: Side
  target: Target | null
  zeroHz: number
  /** Half of the band in cents; null without a target. */
  halfCents: number | null
  points: LanePoint[]
  turns: LaneTurn[]
  presses: number[]
  /** Sittings by dial or ear, in which no pitch was read. */
  byHand: number[]
  /** When another film came on. */
  changes: number[]
  history: readonly PastSitting[]
  /** Where it is believed to be now, in cents from the target, with one standard deviation; null where it was never read. */
  now: { cents: number; sd: number } | null
}

/** Every head of a kit as the Logbook shows it. What was simulated on a kit of one's own is not among it. */
export function lanesOf(here: Here): LaneView[] {
  return here.kit.drums.flatMap((drum) => sidesOf(drum).map((side) => laneOf(here, drum, side)))
}

const known = new WeakMap<HeadLog, { target: Target | null; drum: Drum; lane: Omit<LaneView, 'now'> }>()

function laneOf(here: Here, drum: Drum, side: Side): LaneView {
  const { kit, practice } = here
  const log = headLog(kit, drum.id, side, practice)
  const target = sheetTarget(kit, drum.id, side)
  const kept = known.get(log)
  const lane =
    kept?.target === target && kept.drum === drum && log.count > 0
      ? kept.lane
      : drawnLane(log, drum, side, target)
  known.set(log, { target, drum, lane })
  const { pitch } = headIn(here, drum, side)
  return {
    ...lane,
    now: pitch.hz === null ? null : { cents: centsBetween(lane.zeroHz, pitch.hz), sd: pitch.errorCents! },
  }
}

function drawnLane(log: HeadLog, drum: Drum, side: Side, target: Target | null): Omit<LaneView, 'now'> {
  const history = historyOf(log, drum.lugs)
  const newest = history.findLast(({ left, found }) => left ?? found)
  const zeroHz = target?.meanHz ?? (newest?.left ?? newest?.found)?.hz ?? 100
  const halfCents = target && halfBand(target)
  const point = ({ hz, errorCents }: Reading, at: string): LanePoint => {
    const cents = centsBetween(zeroHz, hz)
    return {
      ms: Date.parse(at),
      cents,
      errorCents,
      hz,
      out: halfCents !== null && Math.abs(cents) > halfCents,
    }
  }
  return {
    ...{ key: headKey(drum.id, side), drum, side, target, zeroHz, halfCents, history },
    points: history.flatMap(({ found, left, turns, from, to }) => [
      ...(found ? [point(found, from)] : []),
      ...(left && (turns !== null || !found) ? [point(left, to)] : []),
    ]),
    turns: history.flatMap(({ turns, to }) =>
      turns && turns.some((turn) => Math.abs(turn) > 1e-3)
        ? [
            {
              ms: Date.parse(to),
              text: turnsLabel(turns),
              turns: turns.reduce((sum, turn) => sum + turn, 0) / turns.length,
            },
          ]
        : [],
    ),
    byHand: history.flatMap(({ found, left, dials, byEar, to }) =>
      !found && !left && (dials || byEar) ? [Date.parse(to)] : [],
    ),
    presses: history.flatMap(({ presses, to }) => (presses ? [Date.parse(to)] : [])),
    changes: log.stints.flatMap(({ from }) => (from ? [Date.parse(from)] : [])),
  }
}

/** What each of a head's newest sittings said of the forecast before it, by its start. */
export function forecastsKept(
  kit: KitState,
  { drum, side, history }: LaneView,
  nowMs: number,
  most: number,
): Map<string, KeptForecast> {
  const log = headLog(kit, drum.id, side, kit.simulated)
  const days = { drum, side, newMs: newSince(log, drum, side), ...daysOf(kit.diary, nowMs) }
  const first = Math.max(0, history.length - most)
  return new Map(
    history.slice(first).flatMap((past, i) => {
      const kept = keptForecast(history, first + i, days)
      return kept ? [[past.from, kept] as const] : []
    }),
  )
}

/** Which rods of a head back off between sessions, the worst first, and which to lock. */
export function rodsOf(
  here: Here,
  { drum, side, history }: LaneView,
): { losses: RodLoss[]; lock: RodLoss[] } {
  const { learned } = headAtHand(here, drum, side)
  const losses = rodLosses(drum, history, here.kit.diary, turnLawOf(drum, side, learned?.hz2PerTurn))
  return { losses, lock: rodsToLock(drum, losses) }
}
