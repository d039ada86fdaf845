import { EVENING_VERSION } from '../evening/even'
import type { EvenRequest } from '../evening/types'
import { estimateHead, learnedFrom } from '../head/estimate'
import { COSINE, MEAN, SINE } from '../head/kalman'
import type { Learned } from '../head/types'
import type { Drum, Side } from '../records/kit'
import { CENTS_PER_NEPER } from '../units/pitch'
import { eventsOfWorld, roundsOf, sittingsOf, SITTING_GAP_MS, type Sitting } from './history'
import { headKey, type KitState } from './log'
import type { Settings } from './settings'
import { aimOf, evenHeadOf, sheetTarget, solverTarget, toleranceOf, type Fitted } from './targets'

/** One head as the Bench works on it, from the log alone. */
export interface BenchHead {
  drum: Drum
  side: Side
  /** The sitting that is going on; null when the head has not been touched lately. */
  sitting: Sitting | null
  /** Readings of a sitting before, for the Kit place and for a first look; null when there is none. */
  before: Sitting | null
  learned: Learned | null
}

/** Sittings from which the drum's own answers are learned; older ones were other films or other seasons. */
const SITTINGS_LEARNED = 6
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
  return { drum, side, sitting: going, before: past.at(-1) ?? null, learned: learnedOver(drum, side, past) }
}

function learnedOver(drum: Drum, side: Side, sittings: readonly Sitting[]): Learned | null {
  const head = evenHeadOf(drum, side, null)
  return sittings.slice(-SITTINGS_LEARNED).reduce<Learned | null>((learned, sitting) => {
    if (sitting.passes.length < 2) return learned
    const state = estimateHead(head, roundsOf(sitting, drum.lugs, false), learned ?? undefined)
    const next = learnedFrom(state.belief)
    return {
      ...next,
      hz2PerTurnError: next.hz2PerTurnError * FORGETTING,
      secondAnswerError: next.secondAnswerError * FORGETTING,
    }
  }, null)
}

/** The fitted state of a sitting's newest readings; null without readings. */
export function fittedOf(head: BenchHead, sitting: Sitting | null): (Fitted & { at: string }) | null {
  if (!sitting) return null
  const { drum, side, learned } = head
  const state = estimateHead(
    evenHeadOf(drum, side, null),
    roundsOf(sitting, drum.lugs, false),
    learned ?? undefined,
  )
  if (!state.anyReading) return null
  const { x, p } = state.belief
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

/**
 * The `even` request for the head. With `open` the turns of a pass under way count and the answer is the forecast after
 * them; without, they are left out and the answer is the pass itself.
 */
export function evenRequestFor(
  kit: KitState,
  head: BenchHead,
  otherHz: number | null,
  settings: Pick<Settings, 'keys' | 'largestStepTurns'>,
  open: boolean,
): EvenRequest {
  const { drum, side, sitting, learned } = head
  const aim = aimOf(kit, drum.id, side)
  const kept = sheetTarget(kit, drum.id, side)
  const target =
    aim.kind === 'hz'
      ? { hz: aim.hz }
      : aim.kind === 'sheet' && kept
        ? solverTarget(kept, drum.lugs)
        : { level: true as const }
  const around = 'hz' in target ? target.hz : (lastKnown(head)?.meanHz ?? kept?.meanHz ?? 150)
  return {
    head: evenHeadOf(drum, side, otherHz),
    target,
    toleranceCents: aim.kind === 'sheet' && kept ? kept.toleranceCents : toleranceOf(drum, side, around),
    keys: settings.keys,
    largestStepTurns: settings.largestStepTurns,
    rounds: sitting ? roundsOf(sitting, drum.lugs, open) : [{ readings: [] }],
    ...(learned ? { learned } : {}),
  }
}

export { EVENING_VERSION }
