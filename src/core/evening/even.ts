import { explainPair } from '../head/pairCause'
import { asIfPitchWereKnown, learnedFrom, stateHarmonics } from '../head/belief'
import type { HeadState } from '../head/estimate'
import { median } from '../numeric/median'
import { isBare, lugsExpected, lugsLead, shownLugHz, shownRounds, stateAfter } from '../head/pictures'
import { varianceOf } from '../numeric/gaussian'
import { MEAN, type Belief, TURN_LAW } from '../head/kalman'
import { rodPulls } from '../head/rods'
import { CENTS_PER_NEPER } from '../units/pitch'
import { against, asRead, disagreements, type Disagreement } from './asRead'
import { isEnough, readNext, rodsToFeel } from './ask'
import { believed, stateFor } from './believed'
import { wantedOverLugs } from './cost'
import { oddsOf, shownSpread, spreadAgainst } from './confidence'
import { isDone, judge, type Seen } from './judge'
import { orderSteps } from './order'
import { choose, DEFAULT_KEYS, DEFAULT_LARGEST_STEP, type Plan } from './plan'
import { suspectsOf } from './suspect'
import { defaultToleranceCents } from './tolerance'
import { DEFAULT_SMALLEST_STEP, targetMeanHz, type EvenAnswer, type EvenRequest } from './types'

/** Version of the estimate and the choice of turns. */
export const EVENING_VERSION = 'even-3'

/**
 * Everything known of one head to the next pass: which rods, how far, in which order, what it will read, or that it is
 * done and why. Deterministic: the same request has the same answer.
 */
export function even(request: EvenRequest): EvenAnswer {
  const { dead, held, known, named, state, suspects } = believed(request)
  const { head, rounds } = known
  const plan = choose(request, state, [...dead, ...held])
  const toleranceCents = request.toleranceCents ?? defaultToleranceCents(head, plan.targetHz)
  const pitchKnown = state.knownBy === 'pitch' || state.knownBy === 'whole' || state.knownBy === null
  // By dial, ear or hand nothing is said of the pitch: cents are those between the lugs, wherever the head stands.
  const told = (belief: Belief) => (pitchKnown ? belief : asIfPitchWereKnown(belief))
  const odds = (from: HeadState) =>
    oddsOf(
      { ...from, hypotheses: from.hypotheses.map((one) => ({ ...one, belief: told(one.belief) })) },
      plan.target,
      toleranceCents,
    )
  const off = against(state)
  const seen: Seen = {
    ...{
      state,
      plan,
      toleranceCents,
      against: off,
      now: odds(state),
      twoFar: odds({ ...state, byLug: null }).farOut,
    },
    asRead: asRead(
      state,
      plan.target,
      toleranceCents,
      state.knownBy === 'pitch' && targetMeanHz(request.target) !== null,
      !('offsetTurns' in request.target),
    ),
    disagree: disagreements(state, off),
    suspected: suspects.length > 0 && held.length === 0,
    held: held.length > 0,
  }
  const pass = passOf(request, seen)
  const reason = judge(request, { ...seen, plan: { ...plan, turns: pass.turns } })
  const turns =
    reason === null
      ? pass.turns
      : reason === 'suspect-rod' && named.length === 0
        ? testTurns(request, suspects[0])
        : new Array<number>(head.lugs).fill(0)
  const moved = turns.some((turn) => turn !== 0)
  const after = moved ? stateAfter(state, turns) : state
  const foreseen = moved ? odds(after) : seen.now
  const done = isDone(request, reason, seen)
  const { belief } = state
  const expected = lugsExpected(pitchKnown ? after : { ...after, belief: told(after.belief) })
  const again = [
    ...new Set([
      ...state.leftOut.map((lug) => lug + 1),
      ...(reason === 'readings-disagree' ? seen.disagree.flatMap(({ lugs }) => lugs) : []),
    ]),
  ]
  return {
    ...{ done, reason, turns },
    steps: moved ? orderSteps(turns, request.keys ?? DEFAULT_KEYS) : [],
    pressAfter: moved,
    ...{ targetHz: plan.targetHz, toleranceCents },
    wantedHz: wantedOverLugs(plan.target, head.lugs, lugsLead(state)).map(Math.sqrt),
    predictedHz: pass.predictedHz ?? expected.lugHz,
    predictedErrorCents: pass.predictedErrorCents ?? expected.errorCents,
    spreadCents: state.knownBy ? shownSpread(state, plan.target) : 0,
    spreadErrorCents: seen.now.spreadErrorCents,
    meanHz: Math.sqrt(Math.max(1, belief.x[MEAN])),
    meanErrorCents:
      (CENTS_PER_NEPER * Math.sqrt(varianceOf(belief, [1, 0, 0, 0, 0]))) / (2 * Math.max(1, belief.x[MEAN])),
    confidence: foreseen.within,
    likelySpreadCents: foreseen.likelyCents,
    withinSpreadCents: foreseen.withinCents,
    readNext: readNext(state, after.belief, moved, again),
    leftOut: state.leftOut.map((lug) => lug + 1),
    learned: learnedFrom(belief),
    enough: isEnough(state, toleranceCents),
    ask: reason === null ? rodsToFeel(state, turns) : [],
    rods: rodPulls(state.rods),
    suspects: reason === 'suspect-rod' || held.length ? (named.length ? named : suspects) : [],
    disagree: reason === 'readings-disagree' ? [...seen.disagree] : [],
    ...asNumbersSay(state, turns, plan),
    // One round tells a lug from its neighbour, not from itself.
    ...(state.roundsLugHz.filter(Boolean).length > 1
      ? { readingScatterCents: scatterCents(state), scatterTold: state.scatterTold }
      : { readingScatterCents: null, scatterTold: null }),
    readSpreadCents: seen.asRead.spreadCents,
    roundSpreadsCents: shownRounds(state).map(
      (lugHz) => lugHz && spreadAgainst(lugHz, plan.target, lugsLead(state)),
    ),
    knownBy: state.knownBy,
    micStoodStill:
      (reason === 'readings-disagree' || reason === 'suspect-rod') && standingExplains(known, state),
    muteOther: explainPair(head, rounds.at(-1)!)?.cause === 'other-head',
    leftAlone: dead.map((rod) => rod + 1),
    hoopOrEdgeKnown: request.hoopOrEdge ?? false,
    surprise: rounds.length > 1 && state.read.length > 0 ? Math.sqrt(state.surprises.at(-1)!) : null,
    gaugeLaw: state.gaugeLaw,
  }
}

/** The turns of the pass: by the head as a whole, or lug by lug where its readings are to be taken as they are. */
function passOf(
  { believe, rounds, smallestStepTurns = DEFAULT_SMALLEST_STEP }: EvenRequest,
  { state, plan, toleranceCents, asRead: { outside } }: Seen,
): { turns: number[]; predictedHz?: number[]; predictedErrorCents?: number[] } {
  if (believe !== 'readings') return { turns: heardTurns(rounds, plan.turns, smallestStepTurns) }
  const pass = byReadings(state, plan.targetHz, smallestStepTurns, toleranceCents)
  return outside ? pass : { ...pass, turns: pass.turns.map(() => 0) }
}

/** An ear that hears a lug off is believed as far as the smallest turn, until a turn has shown what it does. */
function heardTurns(rounds: EvenRequest['rounds'], planned: number[], smallest: number): number[] {
  const { ear } = rounds.at(-1)!
  const turnedBefore = rounds.some(({ turns }) => turns?.some((turn) => turn !== 0))
  if (!ear || turnedBefore || planned.some((turn) => turn !== 0)) return planned
  return planned.map((_, rod) => {
    const word = ear[rod] ?? 'alike'
    return word === 'alike' ? 0 : word.endsWith('higher') ? -smallest : smallest
  })
}

/** What one number scatters by, in cents, as the sitting has shown it; null where none was read that is not told by its sound. */
function scatterCents({ newest, scatter }: HeadState): number | null {
  const errors = newest.filter(isBare).map(({ errorHz, hz }) => (CENTS_PER_NEPER * errorHz) / hz)
  return errors.length ? scatter * median(errors) : null
}

/** A difference of so many of its errors and so many cents is worth a word. */
const WORTH_A_WORD = { errors: 3, cents: 8 }

/** What the advice does that the numbers alone would not: pairs that read unalike are taken as they are, rods go against their own. */
function asNumbersSay(state: HeadState, turns: readonly number[], { target }: Plan) {
  const unlike: Disagreement[] = []
  const against: number[] = []
  if (state.knownBy !== 'pitch' || !lugsLead(state) || turns.every((turn) => turn === 0))
    return { unlike, against }
  const worth = (cents: number, error: number) =>
    Math.abs(cents) > Math.max(WORTH_A_WORD.cents, WORTH_A_WORD.errors * error)
  const own = new Map(state.newest.map((reading) => [reading.lug, reading]))
  const error = scatterCents(state) ?? 0
  const { lugs } = state
  for (let lug = 0; lugs % 2 === 0 && lug < lugs / 2; lug++) {
    const [a, b] = [own.get(lug), own.get(lug + lugs / 2)]
    const cents = a && b ? CENTS_PER_NEPER * Math.log(b.hz / a.hz) : 0
    if (worth(cents, Math.SQRT2 * error))
      unlike.push({ lugs: [lug + 1, lug + 1 + lugs / 2], cents, what: 'opposite' })
  }
  const wanted = wantedOverLugs(target, lugs, true)
  const off = state.newest.map(({ lug, hz }) => ({
    lug,
    cents: CENTS_PER_NEPER * Math.log(hz / Math.sqrt(wanted[lug])),
  }))
  const mean = turns.reduce((sum, turn) => sum + turn, 0) / lugs
  const middle = off.reduce((sum, { cents }) => sum + cents, 0) / Math.max(1, off.length)
  for (const { lug, cents } of off)
    if (worth(cents - middle, error) && (turns[lug] - mean) * (cents - middle) > 0 && turns[lug] * cents > 0)
      against.push(lug + 1)
  return { unlike: unlike.sort((a, b) => Math.abs(b.cents) - Math.abs(a.cents)), against }
}

/** Rounds that are read anew for that: what stood before them says nothing of how the newest was taken. */
const STANDING_ROUNDS = 4

/** Whether the newest readings contradict nothing once the microphone is taken to have stood still. */
function standingExplains(request: EvenRequest, state: HeadState): boolean {
  const { rounds } = request
  const { mic, readings } = rounds.at(-1)!
  if (mic === 'standing' || !readings?.length || state.read.length < 4) return false
  const stood = stateFor({
    ...request,
    rounds: rounds.slice(-STANDING_ROUNDS).map((round) => ({ ...round, mic: 'standing' as const })),
  })
  return against(stood).length === 0
}

/** The turn that would tell whether a rod answers, within what a pass may turn. */
function testTurns(
  { head, largestStepTurns = DEFAULT_LARGEST_STEP }: EvenRequest,
  { test }: ReturnType<typeof suspectsOf>[number],
): number[] {
  const turns = new Array<number>(head.lugs).fill(0)
  test.rods.forEach((rod, i) => (turns[rod - 1] = Math.min(largestStepTurns, test.turns[i])))
  return turns
}

/** The state behind an answer, for screens that draw the fit: no wave where every lug has a pitch of its own. */
export function fittedState(request: EvenRequest) {
  const state = stateFor(request)
  return { harmonics: lugsLead(state) ? null : stateHarmonics(state.leading), lugHz: shownLugHz(state) }
}

/**
 * A pass lug by lug: every rod by its own lug's reading, as one school does. No whole head behaves so (a rod moves its
 * neighbours too), so the steps are small and the forecasts wide.
 */
const PART_OF_NEED = 0.6

const LARGEST_TURNS = 1 / 8

/** Of a correction by one rod alone this part may go elsewhere; and no forecast by this way is surer than that many cents. */
const ASTRAY = 0.7

const LEAST_ERROR_CENTS = 8

function byReadings(state: HeadState, targetHz: number, smallestStepTurns: number, toleranceCents: number) {
  const { lugs, newest, belief } = state
  const turns = new Array<number>(lugs).fill(0)
  const predictedHz = new Array<number>(lugs).fill(targetHz)
  const predictedErrorCents = new Array<number>(lugs).fill(LEAST_ERROR_CENTS)
  const k = belief.x[TURN_LAW]
  for (const { lug, hz, errorHz } of newest) {
    const wanted = (PART_OF_NEED * (targetHz ** 2 - hz * hz)) / k
    const bounded = Math.max(-LARGEST_TURNS, Math.min(LARGEST_TURNS, wanted))
    const rounded = Math.round(bounded / smallestStepTurns) * smallestStepTurns + 0
    // A lug that lies outside gets the smallest step at least: one rod alone moves its lug by less than all together would.
    const off = Math.abs(CENTS_PER_NEPER * Math.log(hz / targetHz))
    turns[lug] =
      rounded === 0 && off > toleranceCents / 2 ? Math.sign(targetHz - hz) * smallestStepTurns : rounded
    predictedHz[lug] = Math.sqrt(Math.max(1, hz * hz + k * turns[lug]))
    const moved = CENTS_PER_NEPER * Math.log(predictedHz[lug] / hz)
    predictedErrorCents[lug] = Math.hypot(LEAST_ERROR_CENTS, (CENTS_PER_NEPER * errorHz) / hz, ASTRAY * moved)
  }
  return { turns, predictedHz, predictedErrorCents }
}
