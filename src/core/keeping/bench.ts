import { EVENING_VERSION } from '../evening/even'
import type { EvenRequest, EvenTarget } from '../evening/types'
import { learnedFrom } from '../head/belief'
import { estimateHead, type HeadState } from '../head/estimate'
import { COSINE, MEAN, SINE } from '../head/kalman'
import { knownOf } from '../fitting/lookOver'
import type { SlackSchoolId } from '../head/slackStart'
import type { EvenHead, Learned, Round } from '../head/types'
import type { HeadEvent } from '../records/event'
import type { Drum, Side } from '../records/kit'
import { CENTS_PER_NEPER } from '../units/pitch'
import { findingsOfHead, openFindings, type NotedFinding } from './findings'
import { eventsOfWorld, roundsOf, sittingsOf, SITTING_GAP_MS, type Sitting } from './history'
import { headKey, type KitState } from './log'
import type { Settings } from './settings'
import {
  aimOf,
  bedLugHz,
  bedOf,
  bedProfileHz,
  evenHeadOf,
  sheetTarget,
  solverTarget,
  toleranceOf,
  type Fitted,
  type SnareBed,
} from './targets'

/** One head as the Bench works on it, from the log alone. */
export interface BenchHead {
  drum: Drum
  side: Side
  /** The sitting that is going on; null when the head has not been touched lately. */
  sitting: Sitting | null
  /** Readings of a sitting before, for the Kit place and for a first look; null when there is none. */
  before: Sitting | null
  learned: Learned | null
  /** What stands open of looking over, as it bears on this head. */
  findings: NotedFinding[]
  /** When the film that is on was fitted, as far as the log says. */
  fittedAt: string | null
  /** Where its mark lies against the badge, in turns of the drum; null where nobody said. */
  markTurns: number | null
}

/** Sittings from which the drum's own answers are learned; older ones were other films or other seasons. */
const SITTINGS_LEARNED = 4
/** Learned answers may have changed between sittings: their widths grow by this factor. */
const FORGETTING = 1.15

export function benchHead(
  kit: KitState,
  drum: Drum,
  side: Side,
  practice: boolean,
  nowMs: number,
): BenchHead {
  const events = eventsOfWorld(kit.heads.get(headKey(drum.id, side)) ?? [], practice, kit.simulated)
  const sittings = sittingsOf(events, drum.lugs)
  const newest = sittings.at(-1)
  const going = newest && nowMs - Date.parse(newest.endedAt) < SITTING_GAP_MS ? newest : null
  const past = going ? sittings.slice(0, -1) : sittings
  const teaching = () => [...sittingsOfOlderFilms(events, drum.lugs), ...past]
  const fitted = events.findLast((event) => event.kind === 'headFitted')
  let learned: Learned | null | undefined
  return {
    ...{ drum, side, sitting: going, before: past.at(-1) ?? null },
    findings: findingsOfHead(openFindings(kit, drum.id, practice), side),
    fittedAt: fitted?.at ?? null,
    markTurns: fitted?.kind === 'headFitted' ? (fitted.markTurns ?? null) : null,
    // Worked out when asked for: most places only want to know where the head stands.
    get learned() {
      if (learned === undefined) learned = learnedOver(drum, side, teaching())
      return learned
    },
  }
}

/** Sittings on films before the one that is on, as far back as each was replaced by its like. */
function sittingsOfOlderFilms(events: readonly HeadEvent[], lugs: number): Sitting[] {
  const fitted = events.findLastIndex((event) => event.kind === 'headFitted')
  const event = events[fitted]
  if (event?.kind !== 'headFitted' || !event.sameFilm) return []
  const older = events.slice(0, fitted)
  return [...sittingsOfOlderFilms(older, lugs), ...sittingsOf(older, lugs)]
}

/** Histories looked at lately: the same ones are asked for with every change of the screen. */
const KEPT_STATES = 400

/** Remembers what was worked out of a history, by what it says. */
function remembered<State>(
  work: (
    head: EvenHead,
    rounds: readonly Round[],
    learned: Learned | null,
    slack: SlackSchoolId | null,
  ) => State,
): typeof work {
  const known = new Map<string, State>()
  return (head, rounds, learned, slack) => {
    const key = JSON.stringify([head, rounds, learned, slack])
    let state = known.get(key)
    if (!state) {
      state = work(head, rounds, learned, slack)
      if (known.size >= KEPT_STATES) known.delete(known.keys().next().value!)
      known.set(key, state)
    }
    return state
  }
}

const estimated = remembered((head, rounds, learned, slack) =>
  estimateHead(head, rounds, { ...(learned ? { learned } : {}), ...startOf(slack) }),
)

const startOf = (slack: SlackSchoolId | null) =>
  slack ? { start: 'slack' as const, slackSchool: slack } : {}

/** The head as believed after a sitting; with `open` the turns under way count. */
export function stateOf(head: BenchHead, sitting: Sitting, open: boolean): HeadState {
  const rounds = roundsOf(sitting, head.drum.lugs, open)
  return estimated(estimatedHead(head, null), rounds, head.learned, sitting.slack)
}

/** The head as the estimate knows it, with what looking over found of its film. */
function estimatedHead({ drum, side, findings }: BenchHead, otherHz: number | null): EvenHead {
  const { worn } = knownOf(findings)
  return { ...evenHeadOf(drum, side, otherHz), ...(worn ? { worn } : {}) }
}

/** Learned answers are never surer than this part: a head that changed must be able to say so. */
const LEAST_DOUBT = 0.1

function learnedOver(drum: Drum, side: Side, sittings: readonly Sitting[]): Learned | null {
  const head = evenHeadOf(drum, side, null)
  return sittings.slice(-SITTINGS_LEARNED).reduce<Learned | null>((learned, sitting) => {
    if (sitting.passes.length < 2) return learned
    const rounds = roundsOf(sitting, drum.lugs, false)
    const next = learnedFrom(estimated(head, rounds, learned, sitting.slack).belief)
    return {
      ...next,
      hz2PerTurnError: Math.max(next.hz2PerTurnError * FORGETTING, LEAST_DOUBT * next.hz2PerTurn),
      secondAnswerError: next.secondAnswerError * FORGETTING,
    }
  }, null)
}

/** The fitted state of a sitting's newest readings; null without readings. */
export function fittedOf(head: BenchHead, sitting: Sitting | null): (Fitted & { at: string }) | null {
  if (!sitting) return null
  const state = stateOf(head, sitting, false)
  if (state.knownBy !== 'pitch') return null
  const { x } = state.leading
  const { p } = state.belief
  const toCents = CENTS_PER_NEPER / (2 * x[MEAN])
  return {
    at: sitting.endedAt,
    meanHz: Math.sqrt(x[MEAN]),
    meanErrorCents: toCents * Math.sqrt(Math.max(0, p[MEAN * 6])),
    cosineCents: toCents * x[COSINE],
    sineCents: toCents * x[SINE],
    waveErrorCents: toCents * Math.sqrt(Math.max(0, p[COSINE * 6], p[SINE * 6])),
  }
}

/** Mean lug pitch of a head as last known, now or before; null when it was never read. */
export function lastKnown(head: BenchHead): (Fitted & { at: string }) | null {
  return fittedOf(head, head.sitting) ?? fittedOf(head, head.before)
}

/** A head that is uneven on purpose is no plain pattern any more: its pitch is not held closer than this, in cents. */
const UNEVEN_TOLERANCE_CENTS = 10

/**
 * The `even` request for the head. With `open` the turns of a pass under way count and the answer is the forecast after
 * them; without, they are left out and the answer is the pass itself.
 */
export function evenRequestFor(
  kit: KitState,
  head: BenchHead,
  otherHz: number | null,
  settings: Pick<Settings, 'keys' | 'largestStepTurns' | 'gaugeLaw' | 'gaugeError'>,
  open: boolean,
): EvenRequest {
  const { drum, side, sitting, learned } = head
  const found = knownOf(head.findings)
  const aim = aimOf(kit, drum.id, side)
  const kept = sheetTarget(kit, drum.id, side)
  const target =
    aim.kind === 'hz'
      ? { hz: aim.hz }
      : aim.kind === 'offsets' && aim.offsetTurns.length === drum.lugs
        ? { hz: aim.hz, offsetTurns: aim.offsetTurns }
        : aim.kind === 'sheet' && kept
          ? solverTarget(kept, drum.lugs)
          : aim.kind === 'bed'
            ? { profileHz: bedProfileHz(aim.hz, aim.bedCents, drum.lugs) }
            : { level: true as const }
  const bed = bedOf(drum, side)
  const around = 'hz' in aim ? aim.hz : (lastKnown(head)?.meanHz ?? kept?.meanHz ?? 150)
  return {
    head: estimatedHead(head, otherHz),
    target: bed ? overBed(head, target, bed) : target,
    toleranceCents: Math.max(
      aim.kind === 'sheet' && kept ? kept.toleranceCents : toleranceOf(drum, side, around),
      'offsetTurns' in target ? UNEVEN_TOLERANCE_CENTS : 0,
    ),
    keys: settings.keys,
    largestStepTurns: settings.largestStepTurns,
    rounds: sitting ? roundsOf(sitting, drum.lugs, open) : [{}],
    ...(sitting?.lugByLug ? { believe: 'readings' as const } : {}),
    ...(learned ? { learned } : {}),
    ...startOf(sitting?.slack ?? null),
    ...(found.deadRods ? { deadRods: found.deadRods.filter((rod) => rod <= drum.lugs) } : {}),
    ...(found.hoopOrEdge ? { hoopOrEdge: true } : {}),
    ...(settings.gaugeLaw ? { gaugeLaw: settings.gaugeLaw } : {}),
    ...(sitting?.passes.some(({ dials }) => dials.size > 0) ? { gaugeError: settings.gaugeError } : {}),
  }
}

/** A target on a head over a snare bed: even but for the bed's lugs. What is uneven on purpose has its own pattern. */
function overBed(head: BenchHead, target: EvenTarget, bed: SnareBed): EvenTarget {
  const { drum, sitting } = head
  if ('offsetTurns' in target || 'profileHz' in target) return target
  const hz = 'hz' in target ? target.hz : lastKnown(head)?.meanHz
  if (!hz) return target
  const read = sitting?.passes.findLast(({ readings }) => readings.size > 0)?.readings
  const readHz = Array.from({ length: drum.lugs }, (_, i) => read?.get(i + 1)?.hz ?? null)
  return { profileHz: bedLugHz(hz, bed, drum.lugs, readHz) }
}

export { EVENING_VERSION }
