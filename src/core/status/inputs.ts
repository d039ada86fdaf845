import type { EvenRequest, EvenTarget } from '../evening/types'
import { knownOf } from '../fitting/lookOver'
import { usualHz } from '../records/usualDrum'
import { handBefore } from '../head/scatter'
import type { Learned, Round } from '../head/types'
import { headLog, type KitState } from '../log/fold'
import { findingsOfHead, openFindings, type NotedFinding } from '../log/findings'
import type { HeadLog, SittingLog } from '../log/headLog'
import { roundsOf } from '../log/rounds'
import { isRead, SITTING_GAP_MS, type Pass, type Sitting } from '../log/sittings'
import type { Aim, Drum, HandTarget, Side, Target } from '../records/kit'
import { DEFAULT_SETTINGS } from '../records/plain'
import type { Settings } from '../records/settings'
import { aimOf, bedProfileHz, evenHeadOf, sheetHand, sheetTarget, solverTarget, toleranceOf } from './targets'
import { learnedBefore, startOf } from './learned'

/** Who asks: a kit as its log tells it, whose readings count, when, and the dial and hand of the device. */
export interface Here {
  kit: KitState
  practice: boolean
  nowMs: number
  gauge: Gauge
}
export type Gauge = Pick<Settings, 'gaugeLaw' | 'gaugeError' | 'scatter'>
/** No dial, or none of a known law, and a hand that nobody saw at work. */
export const NO_DIAL: Gauge = { gaugeLaw: null, gaugeError: DEFAULT_SETTINGS.gaugeError, scatter: [] }

/** One head as the log has it: its sittings, what stands open, what it is to be brought to. */
export interface HeadAtHand {
  drum: Drum
  side: Side
  log: HeadLog
  /** The sitting that is going on; null when the head has not been touched lately. */
  sitting: Sitting | null
  /** The sitting before that, or the newest where none is going on; null when there is none. */
  before: Sitting | null
  /** What stands open of looking over, as it bears on this head. */
  findings: readonly NotedFinding[]
  /** When the film that is on was fitted, as far as the log says. */
  fittedAt: string | null
  /** Where its mark lies against the badge, in turns of the drum; null where nobody said. */
  markTurns: number | null
  aim: Aim
  /** What the sheet that the kit is held against wants of it, and what a hand finds it again by. */
  kept: Target | null
  keptHand: HandTarget | null
  gauge: Gauge
  /** What sittings before the one that is going on have taught; worked out when asked for. */
  readonly learned: Learned | null
}

export function headAtHand(here: Here, drum: Drum, side: Side): HeadAtHand {
  const { kit, practice, gauge } = here
  return handOf(headLog(kit, drum.id, side, practice), drum, side, {
    findings: findingsOfHead(openFindings(kit, drum.id, practice), side),
    aim: aimOf(kit, drum.id, side),
    kept: sheetTarget(kit, drum.id, side),
    keptHand: sheetHand(kit, drum.id, side),
    ...{ gauge, nowMs: here.nowMs },
  })
}

/** The same from a head's log alone, as it stood at some moment before. */
export function handOf(
  log: HeadLog,
  drum: Drum,
  side: Side,
  given: Pick<HeadAtHand, 'findings' | 'aim' | 'kept' | 'keptHand' | 'gauge'> & Pick<Here, 'nowMs'>,
): HeadAtHand {
  const { nowMs, ...rest } = given
  const newest = log.sittings.at(-1)?.sitting(drum.lugs)
  const going = newest && nowMs - Date.parse(newest.endedAt) < SITTING_GAP_MS ? newest : null
  return {
    ...{ drum, side, log, ...rest, sitting: going },
    before: going ? (log.sittings.at(-2)?.sitting(drum.lugs) ?? null) : (newest ?? null),
    fittedAt: log.fitted?.at ?? null,
    markTurns: log.fitted?.markTurns ?? null,
    get learned() {
      return learnedBefore(log, drum, side, log.sittings.length - (going ? 1 : 0))
    },
  }
}

/** Whether a pass says anything of the pitch: lugs, one number, or dials whose law is known. */
const saysPitch = ({ readings, whole, dials }: Pass, { gaugeLaw }: Gauge): boolean =>
  readings.size > 0 || whole !== null || (gaugeLaw !== null && dials.size > 0)

/**
 * The sittings that tell where a head stands, oldest first: the newest and, where nothing was read in it yet by pitch, dial or ear, the one
 * before, whose reading its turns then carry on from. What a hand says today is never outvoted by the pitch of another day.
 */
export function tellingSittings({ log, drum, gauge }: HeadAtHand): SittingLog[] {
  const newest = log.sittings.at(-1)
  if (!newest) return []
  const says = (each: SittingLog) => each.sitting(drum.lugs).passes.some((pass) => saysPitch(pass, gauge))
  // From slack a head begins anew.
  const before =
    newest.sitting(drum.lugs).passes.some(isRead) || newest.sitting(drum.lugs).slack
      ? undefined
      : log.sittings.slice(0, -1).findLast(says)
  return before ? [before, newest] : [newest]
}

/** Rounds of those sittings; with `open` the turns of a pass under way count. */
function roundsTold(head: HeadAtHand, telling: readonly SittingLog[], open: boolean): Round[] {
  return telling.flatMap((each, i) =>
    roundsOf(each.sitting(head.drum.lugs), head.drum.lugs, open || i < telling.length - 1),
  )
}

/**
 * The only request for an estimate of a head: everything that was read, felt, heard, turned, found and learned of it.
 * @param otherHz where the other head stands; it is told only where it rang along with a reading
 * @param open the turns of a pass under way count: the answer is the forecast after them; without, it is the pass itself
 * @param anew for a sitting that is to begin: what was read before has taught, and is not the head as it stands now
 */
export function requestOf(
  head: HeadAtHand,
  otherHz: number | null,
  choices: { open: boolean; anew?: boolean; keys?: 1 | 2; largestStepTurns?: number },
): EvenRequest {
  const { drum, side, gauge } = head
  const telling = tellingSittings(head)
  const last = telling.at(-1)?.sitting(drum.lugs)
  const anew = choices.anew || !last
  const rounds = anew ? [{}] : roundsTold(head, telling, choices.open)
  const other = rounds.some(({ otherHead }) => otherHead === 'free') ? otherHz : null
  const { worn, deadRods, hoopOrEdge } = knownOf(head.findings)
  const readHz = newestHz(anew ? null : last, drum.lugs)
  const target = targetFor(head)
  const learned = anew
    ? head.learned
    : learnedBefore(head.log, drum, side, head.log.sittings.indexOf(telling[0]))
  return {
    head: { ...evenHeadOf(drum, side, other), ...(worn ? { worn } : {}) },
    target,
    toleranceCents: toleranceFor(head, target, readHz),
    ...(choices.keys ? { keys: choices.keys } : {}),
    ...(choices.largestStepTurns ? { largestStepTurns: choices.largestStepTurns } : {}),
    rounds,
    ...(!anew && last.lugByLug ? { believe: 'readings' as const } : {}),
    ...(learned ? { learned } : {}),
    ...handOfRounds(gauge.scatter, rounds, anew ? null : telling[0].sitting(drum.lugs).startedAt),
    ...startOf(anew ? null : telling[0].sitting(drum.lugs).slack),
    ...(deadRods ? { deadRods: deadRods.filter((rod) => rod <= drum.lugs) } : {}),
    ...(hoopOrEdge ? { hoopOrEdge: true } : {}),
    ...(gauge.gaugeLaw ? { gaugeLaw: gauge.gaugeLaw } : {}),
    ...(rounds.some((round) => 'gauge' in round) ? { gaugeError: gauge.gaugeError } : {}),
  }
}

/** What was known, before these rounds, of the hand that read them. */
function handOfRounds(told: Gauge['scatter'], rounds: readonly Round[], before: string | null) {
  const sources = [
    ...(rounds.some(({ readingsHz }) => readingsHz) ? (['number'] as const) : []),
    ...(rounds.some(({ gauge }) => gauge) ? (['dial'] as const) : []),
    ...(rounds.some(({ ear }) => ear) ? (['ear'] as const) : []),
  ]
  const known = sources.flatMap((source) => {
    const weights = handBefore(told, source, before)
    return weights ? [[source, weights] as const] : []
  })
  return known.length ? { hand: Object.fromEntries(known) as EvenRequest['hand'] } : {}
}

type ReadHz = ReadonlyArray<number | null>

/** The newest lugs that were read, lug 1 first. */
function newestHz(read: Sitting | null, lugs: number): ReadHz {
  const newest = read?.passes.findLast(({ readings }) => readings.size > 0)?.readings
  return Array.from({ length: lugs }, (_, i) => newest?.get(i + 1)?.hz ?? null)
}

function meanOf(readHz: ReadHz): number | null {
  const read = readHz.filter((hz) => hz !== null)
  return read.length ? Math.sqrt(read.reduce((sum, hz) => sum + hz * hz, 0) / read.length) : null
}

/** What the head is to be brought to, as the estimate and the choice of turns take it. */
function targetFor({ drum, aim, kept }: HeadAtHand): EvenTarget {
  return aim.kind === 'hz'
    ? { hz: aim.hz }
    : aim.kind === 'offsets' && aim.offsetTurns.length === drum.lugs
      ? { hz: aim.hz, offsetTurns: aim.offsetTurns }
      : aim.kind === 'sheet' && kept
        ? solverTarget(kept, drum.lugs)
        : aim.kind === 'bed'
          ? { profileHz: bedProfileHz(aim.hz, aim.bedCents, drum.lugs) }
          : { level: true }
}

/** A head that is uneven on purpose is no plain pattern any more: its pitch is not held closer than this, in cents. */
const UNEVEN_TOLERANCE_CENTS = 10

function toleranceFor({ drum, side, aim, kept }: HeadAtHand, target: EvenTarget, readHz: ReadHz): number {
  const around = 'hz' in aim ? aim.hz : (kept?.meanHz ?? meanOf(readHz) ?? usualHz(drum, side))
  return Math.max(
    aim.kind === 'sheet' && kept ? kept.toleranceCents : toleranceOf(drum, side, around),
    'offsetTurns' in target ? UNEVEN_TOLERANCE_CENTS : 0,
  )
}

/**
 * The request of a head as a sitting found it: its first readings since then, before anything was turned; null where there are none.
 */
export function requestAsFound(
  head: HeadAtHand,
  sinceMs: number,
): { request: EvenRequest; at: string } | null {
  const { log, drum } = head
  const place = log.sittings.findIndex((each) => Date.parse(each.sitting(drum.lugs).startedAt) >= sinceMs)
  if (place < 0) return null
  const sitting = log.sittings[place].sitting(drum.lugs)
  const first = sitting.passes.findIndex((pass) => saysPitch(pass, head.gauge))
  if (first < 0 || sitting.passes.slice(0, first).some(({ turns }) => turns !== null)) return null
  const upTo = { ...head, log: { ...log, sittings: log.sittings.slice(0, place + 1) } }
  const rounds = roundsOf({ ...sitting, passes: sitting.passes.slice(0, first + 1) }, drum.lugs, false)
  return { request: { ...requestOf(upTo, null, { open: false }), rounds }, at: sitting.startedAt }
}
