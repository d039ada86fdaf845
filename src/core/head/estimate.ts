import { turnLawPrior } from '../membrane/turnLaw'
import { median } from '../numeric/median'
import { CENTS_PER_NEPER } from '../units/pitch'
import { doubtAnswers, slackBelief, startingBelief, stateLugHz, turnNoise } from './belief'
import { earReadings } from './ear'
import { DEFAULT_GAUGE_ERROR, learnGaugeLaw, meanDial, tensionOf } from './gauge'
import { harmonicsOf } from './harmonics'
import { momentsOf, readInto, type Hypothesis } from './hypotheses'
import { surpriseOf, takeEvenness, takeGauge, takeLevels, wavesOf, withPitch } from './intake'
import { observed } from '../numeric/gaussian'
import { COSINE, copyBelief, MEAN, SECOND, SINE, turn, type Belief } from './kalman'
import { slipsOf } from './poleFit'
import type { Reader } from './readingLaw'
import { confirmedBy, lugReadings, stoodStill, type LugReading } from './readings'
import { rodFelt, roughAsSeen, rodsAsFound, rodsTurned, type RodBelief } from './rods'
import { SLACK_SCHOOLS, type SlackSchoolId } from './slackStart'
import { isBare, withLugs, type ByLug } from './pictures'
import { fitStanding } from './standing'
import type { BareSource, EvenRequest, ScatterWeights } from '../records/even'
import type { EvenHead, GaugeLaw, Learned, Round } from './types'

/** What the evenness of a head is known by; anything but pitch says nothing of the pitch itself. */
export type KnownBy = 'pitch' | 'whole' | 'gauge' | 'ear' | 'feel'

/** What is believed of one head, and how surely. */
export interface HeadState {
  /** Everything that may be so, as one normal law: what is expected. */
  belief: Belief
  /** The likeliest single story: what is drawn and named. */
  leading: Belief
  hypotheses: readonly Hypothesis[]
  lugs: number
  /** Lugs (0-based) of the newest round that were read, and those whose reading was left out. */
  read: number[]
  leftOut: number[]
  /** How many lugs were read since anything was turned. */
  readSinceTurn: number
  /** Readings of the newest round as they were taken. */
  newest: readonly LugReading[]
  /** Lug pitches of the likeliest story after each round, in Hz; null where nothing was read. */
  roundsLugHz: Array<number[] | null>
  /** Mean squared pitch after each round that was read, for judging passes. */
  meanHistoryHz2: number[]
  knownBy: KnownBy | null
  /** How every rod pulls against the others, and what the hoop adds. */
  rods: RodBelief
  /** The gauge's law, given or learned; null without one. */
  gaugeLaw: GaugeLaw | null
  /**
   * Per round, how far its readings lay from what was expected of them: squared standard errors, a third of their sum over
   * mean and second harmonic. 1 is as expected, and stands where nothing was read or expected.
   */
  surprises: number[]
  /** By how much mean and second harmonic came otherwise than expected in each round, in Hz^2; null where nothing was. */
  misses: Array<[number, number, number] | null>
  /** Log density of all readings given what was expected of them, by rounds: how well the history makes sense. */
  logEvidence: number
  /** The same with the first round's. */
  logAll: number
  /** The head as a picture lug by lug, and how likely it is that one against the two poles; null where none is thought of. */
  byLug: ByLug | null
  /** How far bare numbers scatter, in their stated errors, as the sitting has shown it. */
  scatter: number
  /** What this sitting tells of it by itself: log likelihoods, best 0, by `SCATTERS`; null where nothing bare was read. */
  scatterTold: { source: BareSource; logs: ScatterWeights } | null
}

export interface KnownBefore {
  hand?: EvenRequest['hand']
  learned?: Learned
  /** Rods at finger-tight when the history began, or no telling. */
  start?: 'slack' | 'unknown'
  /** How the slack start was found; left out where nobody said. */
  slackSchool?: SlackSchoolId
  gaugeLaw?: GaugeLaw
  /** One standard error of a dial reading. */
  gaugeError?: number
  /** Pitch that the head is near where none was read: its target. */
  aroundHz?: number | null
  /** How far the head may be from the pattern of two poles at any lug, in cents: far, where it is uneven on purpose. */
  modelErrorCents?: number
}

/** How far one number for a head may be from its mean, in cents, where nobody said (common practice, no source). */
const WHOLE_ERROR_CENTS = 20
/** How well levels alone place the axis for a standing microphone, in rad. */
const AXIS_OF_STANDING = 0.08
/** Rounds, from the newest back, whose readings are looked at from all sides; older ones have been. */
const THOROUGH_ROUNDS = 4
/** Rounds from further back say nothing of the head as it stands that newer ones do not. */
const LONGEST_HISTORY = 16
/**
 * From slack to the first reading a head settles and its slack is taken up: what it answered over all of that is less than
 * what it will answer to the next turn, by a part that is not known. And from pass to pass its answers drift by so much.
 */
const SECANT_DOUBT = 0.25
const DRIFT_OF_ANSWERS = 0.04
/** Unevenness as found, relative to the squared pitch: a head that was tuned once, and one that is far out. */
const AS_FOUND: ReadonlyArray<{ size: number; weight: number }> = [
  { size: 0.04, weight: 0.6 },
  { size: 0.14, weight: 0.4 },
]
/** What one number of two poles is, before a source has shown: their mean, or the peak of the louder. */
const READERS: ReadonlyArray<{ reader: Reader; weight: number }> = [
  { reader: 'mean', weight: 0.4 },
  { reader: 'peak', weight: 0.6 },
]

/**
 * The state of a head after all rounds, from the oldest on. Readings of the newest round need no turns.
 * Model: docs/decisions/head-estimate.md.
 */
export function estimateHead(head: EvenHead, history: readonly Round[], known: KnownBefore = {}): HeadState {
  const rounds = history.slice(-LONGEST_HISTORY)
  const asSaid = twoPoles(head, rounds, known, 1)
  return withLugs(head, rounds, known, asSaid, (scatter) => twoPoles(head, rounds, known, scatter))
}

/** The head as two poles alone, which is what a rod that does not answer is told by. */
export const asTwoPoles = (head: EvenHead, history: readonly Round[], known: KnownBefore, scatter = 1) =>
  twoPoles(head, history.slice(-LONGEST_HISTORY), known, scatter)

/** @param scatter how far bare numbers scatter, in their stated errors */
function twoPoles(head: EvenHead, rounds: readonly Round[], known: KnownBefore, scatter: number): HeadState {
  const {
    start = 'unknown',
    slackSchool,
    gaugeLaw,
    gaugeError = DEFAULT_GAUGE_ERROR,
    modelErrorCents = 0,
  } = known
  const { lugs } = head
  let hypotheses = startingHypotheses(head, rounds, known)
  const state: HeadState = {
    ...{ belief: momentsOf(hypotheses), leading: hypotheses[0].belief, hypotheses, lugs },
    ...{
      read: [],
      leftOut: [],
      readSinceTurn: 0,
      newest: [],
      meanHistoryHz2: [],
      roundsLugHz: [],
      knownBy: null,
    },
    rods: rodsAsFound(lugs, start, slackSchool && SLACK_SCHOOLS[slackSchool].rodError),
    ...{
      gaugeLaw: gaugeLaw ?? null,
      surprises: [],
      misses: [],
      logEvidence: 0,
      logAll: 0,
      byLug: null,
      scatter: 1,
      scatterTold: null,
    },
  }
  const each = (change: (belief: Belief) => Belief) =>
    (hypotheses = hypotheses.map((one) => ({ ...one, belief: change(one.belief) })))
  const dials: Array<{ dial: number; tension: number }> = []
  let presses = 0
  let anyRead = false
  let readers = readersOf(hypotheses)!
  const sinceTurn = new Set<number>()
  rounds.forEach((round, index) => {
    const before = momentsOf(hypotheses)
    const readings = lugReadings(head, round, confirmedBy(rounds, index)).map((reading) => ({
      ...reading,
      errorHz: Math.hypot(
        reading.errorHz * (isBare(reading) ? scatter : 1),
        (reading.hz * modelErrorCents) / CENTS_PER_NEPER,
      ),
    }))
    const stood = stoodStill(round)
    const standing = stood ? fitStanding(round, lugs) : null
    if (standing) {
      each((belief) => takeLevels(belief, standing, readings.length < 3 ? Infinity : AXIS_OF_STANDING, lugs))
    } else if (readings.length) {
      // With a wider scatter the hills run together: the one where the head was is enough.
      const thorough = !anyRead || (scatter === 1 && index >= rounds.length - THOROUGH_ROUNDS)
      if (stood) {
        readers = readersOf(hypotheses) ?? readers
        hypotheses = standingOnly(hypotheses)
      } else if (readersOf(hypotheses) === null) hypotheses = readingAs(hypotheses, readers)
      const taken = readInto(hypotheses, readings, lugs, { thorough, first: !anyRead })
      hypotheses = taken.hypotheses
      if (anyRead) state.logEvidence += taken.logEvidence
      state.logAll += taken.logEvidence
    }
    const now = momentsOf(hypotheses)
    const best = leadingOf(hypotheses)
    state.newest = readings
    state.read = readings.map((reading) => reading.lug)
    state.leftOut = standing || !readings.length ? [] : slipsOf(best.belief.x, readings, lugs, best.reader)
    state.surprises.push(anyRead && readings.length ? surpriseOf(before, now) : 1)
    const miss = [MEAN, COSINE, SINE].map((at) => now.x[at] - before.x[at]) as [number, number, number]
    state.misses.push(anyRead && readings.length ? miss : null)
    if (readings.length) {
      state.meanHistoryHz2.push(now.x[MEAN])
      if (!anyRead) {
        const seen = Math.hypot(now.x[COSINE], now.x[SINE]) / Math.max(1, now.x[SECOND])
        state.rods = roughAsSeen(state.rods, seen)
      }
      state.rods = withPitch(state.rods, now, lugs)
      if (!anyRead && start === 'slack') each((belief) => doubtAnswers(belief, SECANT_DOUBT))
      state.knownBy = 'pitch'
      anyRead = true
    }
    const dial = meanDial(round.gauge ?? [])
    if (dial !== null) {
      if (readings.length) {
        dials.push({ dial, tension: tensionOf(head, Math.sqrt(Math.max(1, now.x[MEAN]))) })
        state.gaugeLaw = gaugeLaw ?? learnGaugeLaw(dials)
      }
      const from = { rods: state.rods, gaugeLaw: state.gaugeLaw }
      const taken = takeGauge(head, from, now, round.gauge!, gaugeError, readings.length > 0)
      state.rods = taken.rods
      if (!readings.length) each(taken.change)
      if (!readings.length) {
        if (state.gaugeLaw) {
          state.meanHistoryHz2.push(momentsOf(hypotheses).x[MEAN])
          state.knownBy = 'pitch'
          anyRead = true
        } else state.knownBy ??= 'gauge'
        state.read = round.gauge!.flatMap((value, lug) => (value === null ? [] : [lug]))
      }
    }
    round.feel?.forEach((feel, rod) => {
      if (feel) state.rods = rodFelt(state.rods, rod, feel)
    })
    if (round.feel?.some((feel) => feel !== null) && !readings.length && dial === null) {
      const waves = wavesOf(state.rods)
      each((belief) => takeEvenness(belief, waves, lugs))
      state.knownBy ??= 'feel'
    }
    if (round.wholeHz) {
      const { wholeHz, wholeErrorCents = WHOLE_ERROR_CENTS } = round
      const error = (2 * wholeHz ** 2 * wholeErrorCents) / CENTS_PER_NEPER
      each((belief) => observed(belief, [1, 0, 0, 0, 0], wholeHz ** 2, error ** 2))
      if (state.knownBy !== 'pitch') state.knownBy = 'whole'
      state.read = Array.from({ length: lugs }, (_, lug) => lug)
    }
    const heard = round.ear ? earReadings(round, Math.sqrt(Math.max(1, momentsOf(hypotheses).x[MEAN]))) : []
    if (heard.length && !readings.length) {
      const { belief } = leadingOf(hypotheses)
      const fit = readInto([{ belief, weight: 1, reader: 'mean' }], heard, lugs, {
        thorough: true,
        first: true,
      })
      const found = momentsOf(fit.hypotheses)
      each(() => withWavesOf(belief, found))
      state.rods = withPitch(state.rods, momentsOf(hypotheses), lugs)
      if (state.knownBy !== 'pitch') state.knownBy = 'ear'
      state.read = heard.map(({ lug }) => lug)
      state.newest = heard
    }
    for (const lug of state.read) sinceTurn.add(lug)
    state.roundsLugHz.push(state.read.length ? stateLugHz(leadingOf(hypotheses).belief, lugs) : null)
    state.readSinceTurn = sinceTurn.size
    if (round.turns?.some((turned) => turned !== 0)) sinceTurn.clear()
    if (round.turns) {
      // Before the newest round's turns are followed by readings they count as pressed: a forecast says so.
      const pressed = rounds[index + 1]?.pressed ?? index === rounds.length - 1
      const turns = round.turns
      const first = presses === 0
      each((belief) => turn(belief, harmonicsOf(turns), turnNoise(belief, turns, pressed, first)))
      if (turns.some((turned) => turned !== 0)) each((belief) => doubtAnswers(belief, DRIFT_OF_ANSWERS))
      state.rods = rodsTurned(state.rods, turns)
      if (pressed) presses++
    }
  })
  return {
    ...state,
    belief: momentsOf(hypotheses),
    leading: leadingOf(hypotheses).belief,
    hypotheses,
  }
}

function startingHypotheses(head: EvenHead, rounds: readonly Round[], known: KnownBefore): Hypothesis[] {
  const all = rounds.flatMap((round) => lugReadings(head, round, new Set()))
  const pitches = [...all.map(({ hz }) => hz), ...rounds.flatMap(({ wholeHz }) => wholeHz ?? [])]
  const around = pitches.length
    ? median(pitches) ** 2
    : known.aroundHz
      ? known.aroundHz ** 2
      : turnLawPrior(head.diameterInches, head.threadPitchMm, head.pliesMils).mean
  const bare = all.some(({ poles, alone }) => !poles && !alone)
  const readers = bare ? READERS : READERS.filter(({ reader }) => reader === 'peak')
  const { learned, slackSchool } = known
  const beliefs = slackSchool
    ? [{ belief: slackBelief(head, learned, slackSchool), weight: 1 }]
    : AS_FOUND.map(({ size, weight }) => ({ belief: startingBelief(head, learned, around, size), weight }))
  return readers.flatMap(({ reader, weight }) =>
    beliefs.map((one) => ({ belief: one.belief, weight: weight * one.weight, reader })),
  )
}

function leadingOf(hypotheses: readonly Hypothesis[]): Hypothesis {
  return hypotheses.reduce((a, b) => (b.weight > a.weight ? b : a))
}

/** A number taken by a microphone that stands still is read by a law of its own, for that round. */
const standingOnly = (hypotheses: readonly Hypothesis[]): Hypothesis[] =>
  hypotheses.map((one) => ({ ...one, reader: 'standing' }))

/** What the source was taken to make of two poles, by weight; null while a microphone stood still. */
function readersOf(hypotheses: readonly Hypothesis[]): ReadonlyMap<Reader, number> | null {
  const weights = new Map<Reader, number>()
  for (const { reader, weight } of hypotheses) weights.set(reader, (weights.get(reader) ?? 0) + weight)
  return weights.has('standing') ? null : weights
}

const readingAs = (hypotheses: readonly Hypothesis[], readers: ReadonlyMap<Reader, number>) =>
  hypotheses.flatMap((one) =>
    [...readers].map(([reader, weight]) => ({ ...one, reader, weight: one.weight * weight })),
  )

/** Mean as it was, evenness as it was found. */
function withWavesOf(belief: Belief, found: Belief): Belief {
  const next = copyBelief(belief)
  for (const at of [COSINE, SINE]) {
    for (let j = 0; j < 5; j++) next.p[at * 5 + j] = next.p[j * 5 + at] = found.p[at * 5 + j]
    next.x[at] = found.x[at]
  }
  for (const at of [COSINE, SINE]) next.p[MEAN * 5 + at] = next.p[at * 5 + MEAN] = 0
  return next
}
