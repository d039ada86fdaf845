import { CENTS_PER_NEPER } from '../units/pitch'
import { momentsOf } from './hypotheses'
import type { HeadState, KnownBefore } from './estimate'
import { lookAhead, stateErrorCents, stateLugHz } from './belief'
import {
  evidenceOf,
  hzOf,
  lugCents,
  lugPictureOf,
  lugsTurned,
  numbersRead,
  weighed,
  wordsRead,
  type LugNumber,
  type LugPicture,
  type LugWord,
} from './lugPicture'
import { earWords } from './ear'
import { DEFAULT_GAUGE_ERROR, dialNumbers, meanDial } from './gauge'
import { copyBelief, MEAN } from './kalman'
import { confirmedBy, lugReadings, stoodStill, type LugReading } from './readings'
import { SCATTER_WEIGHTS, SCATTERS } from './scatter'
import type { BareSource, ScatterWeights } from '../records/even'
import type { EvenHead, Round } from './types'
import { median } from '../numeric/median'

/** A number without a sound behind it: typed, or of a device that tells no poles. */
export const isBare = ({ poles, alone }: LugReading) => !poles && !alone

/** The head lug by lug, as one of two pictures. */
export interface ByLug {
  picture: LugPicture
  weight: number
  /** Lug pitches in Hz after each round, in this picture; null where nothing was read. */
  roundsLugHz: Array<number[] | null>
}

/** Settling by turning and pressing, in cents of the mean. */
const SETTLING_CENTS = { first: 13, later: 3.5 }

/** A log of odds so far behind is not worth a look. */
const HOPELESS = 5

/** How likely it is that bare numbers differ lug by lug, before any was read. */
const LUG_BY_LUG = 0.4
/** On a snare bed they do: two poles with peaks heard would leave open which lugs lie low (common practice, no source). */
const ON_A_BED = 1

/**
 * Weighs how far bare numbers scatter, and whether they show two poles or a pitch of its own at every lug.
 * @param asSaid the head as two poles with errors as stated
 * @param twoPoles the same with errors so many times as large
 */
export function withLugs(
  head: EvenHead,
  rounds: readonly Round[],
  known: KnownBefore,
  asSaid: HeadState,
  twoPoles: (scatter: number) => HeadState,
): HeadState {
  const read = rounds.map((round, i) =>
    stoodStill(round) ? [] : lugReadings(head, round, confirmedBy(rounds, i)),
  )
  const bare = read.flat().filter(isBare)
  const dials = rounds.some(({ gauge }) => meanDial(gauge ?? []) !== null)
  const words = rounds.some((round) => earWords(round).length > 0)
  if (read.flat().length === 0 && asSaid.knownBy !== 'whole' && (dials || words) && !known.modelErrorCents) {
    const told = readLugs(head, rounds, read, known, dials ? 'dial' : 'ear', asSaid.belief.x[MEAN])
    const { picture } = told
    return {
      ...{ ...asSaid, byLug: { ...told, weight: 1 }, scatter: scatterOf(picture) },
      scatterTold: toldOf(picture.source, logsByScatter(picture), known.hand),
    }
  }
  if (
    asSaid.knownBy !== 'pitch' ||
    bare.length < 3 ||
    bare.length < read.flat().length ||
    known.modelErrorCents
  )
    return asSaid
  const alone = head.snareBed ? ON_A_BED : LUG_BY_LUG
  const around = median(read.flat().map(({ hz }) => hz)) ** 2
  const told = readLugs(head, rounds, read, known, 'number', around)
  const { picture } = told
  // Densities a cent of squared pitch at the reference, as those a neper of pitch.
  const carried = bare.reduce(
    (sum, { hz }) => sum + Math.log((CENTS_PER_NEPER * hz * hz) / picture.aroundHz2),
    0,
  )
  const logLugs = Math.log(alone) + evidenceOf(picture) + carried
  const weights = known.hand?.number ?? SCATTER_WEIGHTS
  const worlds: Array<{ state: HeadState; scatter: number; log: number }> = []
  for (const [at, scatter] of SCATTERS.number.entries()) {
    const state = scatter === 1 ? asSaid : twoPoles(scatter)
    worlds.push({ state, scatter, log: Math.log(weights[at]) + state.logAll })
    // What twice the scatter makes far less likely, five times makes less likely still.
    const [first, last] = [worlds[0].log, worlds.at(-1)!.log]
    if (last < first - HOPELESS) break
  }
  const best = worlds.reduce((a, b) => (b.log > a.log ? b : a))
  const total = worlds.reduce((sum, { log }) => sum + Math.exp(log - best.log), 0)
  const hypotheses = worlds.flatMap(({ state, log }) =>
    state.hypotheses.map((one) => ({ ...one, weight: (one.weight * Math.exp(log - best.log)) / total })),
  )
  const logTwo = Math.log(1 - alone) + best.log + Math.log(total)
  const lugs = 1 / (1 + Math.exp(logTwo - logLugs))
  const leads = lugs > 0.5
  const logs = logsByScatter(picture).map((log, at) => {
    const two = Math.log(1 - alone) + (worlds[at]?.log ?? -Infinity)
    const own = Math.log(alone) + carried + log
    return Math.max(two, own) + Math.log1p(Math.exp(-Math.abs(two - own)))
  })
  return {
    ...best.state,
    scatterTold: toldOf('number', logs, known.hand),
    // With the errors that were stated: how many of them they scatter by is told beside.
    newest: asSaid.newest,
    ...{ hypotheses, belief: momentsOf(hypotheses) },
    leftOut: leads ? picture.stray : best.state.leftOut,
    byLug: { ...told, weight: lugs },
    scatter:
      (1 - lugs) *
        worlds.reduce((sum, { scatter, log }) => sum + (scatter * Math.exp(log - best.log)) / total, 0) +
      lugs * scatterOf(picture),
  }
}

const scatterOf = (picture: LugPicture) =>
  weighed(picture).reduce((sum, { member, weight }) => sum + weight * member.scatter, 0)

/** Log of all that was read by the scatter it is taken to have, as {@link SCATTERS} lists them. */
const logsByScatter = ({ members, source }: LugPicture): number[] =>
  SCATTERS[source].map((scatter) => {
    const logs = members.filter((member) => member.scatter === scatter).map(({ log }) => log)
    const best = Math.max(...logs)
    return best + Math.log(logs.reduce((sum, log) => sum + Math.exp(log - best), 0))
  })

/** What a sitting by itself tells of the hand: what was known of it before is taken out again. */
function toldOf(source: BareSource, logs: readonly number[], hand: KnownBefore['hand']) {
  const before = hand?.[source] ?? SCATTER_WEIGHTS
  const own = logs.map((log, at) => log - Math.log(before[at]))
  const best = Math.max(...own)
  return { source, logs: own.map((log) => Math.max(FLOOR, log - best)) as ScatterWeights }
}
/** Less likely than that, as a logarithm, is the same as not at all. */
const FLOOR = -30

/** The picture lug by lug is the likelier one. */
export const lugsLead = ({ byLug }: Pick<HeadState, 'byLug'>) => byLug !== null && byLug.weight > 0.5

/** Pitch of every lug in Hz as the likelier picture has it. */
export function shownLugHz(state: HeadState): number[] {
  if (!lugsLead(state)) return stateLugHz(state.leading, state.lugs)
  return lugHzOf(state.byLug!.picture)
}

const lugHzOf = (picture: LugPicture) => lugCents(picture).map(({ cents }) => hzOf(picture, cents))

/** The same after each round; null where nothing was read. */
export const shownRounds = (state: HeadState): Array<number[] | null> =>
  lugsLead(state) ? state.byLug!.roundsLugHz : state.roundsLugHz

/** The head with its mean over both pictures, by their weights: two poles far apart have another one than what was read. */
export function withMean(state: HeadState): HeadState {
  const { byLug, belief, lugs } = state
  if (!byLug || byLug.picture.source !== 'number') return state
  const { picture, weight } = byLug
  const next = copyBelief(belief)
  const toHz2 = (2 * picture.aroundHz2) / (CENTS_PER_NEPER * Math.sqrt(lugs))
  const each = weighed(picture).map(({ member, weight: own }) => ({
    own: weight * own,
    mean: picture.aroundHz2 + toHz2 * member.x[0],
    variance: toHz2 ** 2 * member.p[0],
  }))
  each.push({ own: 1 - weight, mean: belief.x[MEAN], variance: belief.p[0] })
  const mean = each.reduce((sum, one) => sum + one.own * one.mean, 0)
  next.x[MEAN] = mean
  next.p[0] = each.reduce((sum, one) => sum + one.own * (one.variance + (one.mean - mean) ** 2), 0)
  return { ...state, belief: next }
}

/** The head after a pass, in all pictures. */
export function stateAfter(state: HeadState, turns: readonly number[]): HeadState {
  const hypotheses = state.hypotheses.map((one) => ({ ...one, belief: lookAhead(one.belief, turns) }))
  return {
    ...state,
    ...{ hypotheses, belief: lookAhead(state.belief, turns), leading: lookAhead(state.leading, turns) },
    byLug: state.byLug && {
      ...state.byLug,
      picture: lugsTurned(state.byLug.picture, turns, SETTLING_CENTS.later),
    },
  }
}

/** Every lug over both pictures: pitch as expected in Hz, and one standard error in cents. */
export function lugsExpected({ belief, lugs, byLug }: HeadState): { lugHz: number[]; errorCents: number[] } {
  const two = { lugHz: stateLugHz(belief, lugs), errorCents: stateErrorCents(belief, lugs) }
  if (!byLug) return two
  const { picture, weight } = byLug
  const alone = lugCents(picture)
  const lugHz = two.lugHz.map((hz, lug) => (1 - weight) * hz + weight * hzOf(picture, alone[lug].cents))
  const errorCents = lugHz.map((hz, lug) => {
    const off = (other: number) => CENTS_PER_NEPER * Math.log(other / hz)
    const own = hzOf(picture, alone[lug].cents)
    const error = (alone[lug].error * picture.aroundHz2) / own ** 2
    return Math.sqrt(
      (1 - weight) * (two.errorCents[lug] ** 2 + off(two.lugHz[lug]) ** 2) +
        weight * (error ** 2 + off(own) ** 2),
    )
  })
  return { lugHz, errorCents }
}

function readLugs(
  head: EvenHead,
  rounds: readonly Round[],
  read: ReadonlyArray<readonly LugReading[]>,
  { learned, gaugeLaw, gaugeError = DEFAULT_GAUGE_ERROR, hand }: KnownBefore,
  source: BareSource,
  around: number,
): Pick<ByLug, 'picture' | 'roundsLugHz'> {
  const reference = rounds.map(({ gauge }) => meanDial(gauge ?? [])).find((dial) => dial !== null) ?? null
  const said = rounds.map((round, i) => {
    const numbers = read[i].map(({ lug, hz, errorHz, confirmed }): LugNumber => {
      const part = (hz * hz) / around
      return {
        ...{ lug, cents: (CENTS_PER_NEPER / 2) * (part - 1), confirmed: confirmed ?? false },
        error: ((CENTS_PER_NEPER * errorHz) / hz) * part,
      }
    })
    if (source === 'dial' && round.gauge)
      numbers.push(...dialNumbers(round.gauge, reference!, gaugeLaw ?? null, gaugeError))
    return { numbers, words: numbers.length ? [] : earWords(round) }
  })
  let picture = lugPictureOf(head, around, source, learned, farthestOf(said), hand?.[source])
  let presses = 0
  const roundsLugHz: ByLug['roundsLugHz'] = []
  rounds.forEach((round, i) => {
    const { numbers, words } = said[i]
    if (numbers.length) picture = numbersRead(picture, numbers)
    if (words.length) picture = wordsRead(picture, words)
    roundsLugHz.push(numbers.length || words.length ? lugHzOf(picture) : null)
    if (!round.turns) return
    const pressed = rounds[i + 1]?.pressed ?? i === rounds.length - 1
    picture = lugsTurned(picture, round.turns, presses === 0 ? SETTLING_CENTS.first : SETTLING_CENTS.later)
    if (pressed) presses++
  })
  return { picture, roundsLugHz }
}

/** Lugs of the first round that says anything, farthest from its middle first. */
function farthestOf(
  said: ReadonlyArray<{ numbers: readonly LugNumber[]; words: readonly LugWord[] }>,
): number[] {
  const first = said.find(({ numbers, words }) => numbers.length > 2 || words.length > 1)
  if (!first) return []
  const at = first.numbers.length
    ? first.numbers
    : first.words.map(({ lug, from, to }) => ({
        lug,
        cents: Number.isFinite(from) ? (Number.isFinite(to) ? (from + to) / 2 : 2 * from) : 2 * to,
      }))
  const middle = median(at.map(({ cents }) => cents))
  return [...at].sort((a, b) => Math.abs(b.cents - middle) - Math.abs(a.cents - middle)).map(({ lug }) => lug)
}
