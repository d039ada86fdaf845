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
  SCATTER_WEIGHTS,
  SCATTERS,
  weighed,
  wordsRead,
  type LugNumber,
  type LugPicture,
  type LugWord,
  type Source,
} from './lugPicture'
import { earWords } from './ear'
import { DEFAULT_GAUGE_ERROR, dialNumbers, meanDial } from './gauge'
import { MEAN } from './kalman'
import { confirmedBy, lugReadings, stoodStill, type LugReading } from './readings'
import type { EvenHead, Round } from './types'
import { median } from '../numeric/median'

/** A number without a sound behind it: typed, or of a device that tells no poles. */
export const isBare = ({ poles, alone }: LugReading) => !poles && !alone

/** Settling by turning and pressing, in cents of the mean. */
const SETTLING_CENTS = { first: 13, later: 3.5 }

/** A log of odds so far behind is not worth a look. */
const HOPELESS = 5

/** How likely it is that bare numbers differ lug by lug, before any was read. */
const LUG_BY_LUG = 0.4

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
    const picture = readLugs(head, rounds, read, known, dials ? 'dial' : 'ear', asSaid.belief.x[MEAN])
    return { ...asSaid, byLug: { picture, weight: 1 }, scatter: scatterOf(picture) }
  }
  if (
    asSaid.knownBy !== 'pitch' ||
    bare.length < 3 ||
    bare.length < read.flat().length ||
    known.modelErrorCents
  )
    return asSaid
  const around = median(read.flat().map(({ hz }) => hz)) ** 2
  const picture = readLugs(head, rounds, read, known, 'number', around)
  // Densities a cent of squared pitch at the reference, as those a neper of pitch.
  const carried = bare.reduce(
    (sum, { hz }) => sum + Math.log((CENTS_PER_NEPER * hz * hz) / picture.aroundHz2),
    0,
  )
  const logLugs = Math.log(LUG_BY_LUG) + evidenceOf(picture) + carried
  const worlds: Array<{ state: HeadState; scatter: number; log: number }> = []
  for (const [at, scatter] of SCATTERS.number.entries()) {
    const state = scatter === 1 ? asSaid : twoPoles(scatter)
    worlds.push({ state, scatter, log: Math.log(SCATTER_WEIGHTS[at]) + state.logAll })
    // What twice the scatter makes far less likely, five times makes less likely still; nor is it worth a look behind the other picture.
    const [first, last] = [worlds[0].log, worlds.at(-1)!.log]
    if (last < first - HOPELESS || last + Math.max(0, last - first) < logLugs - 2 * HOPELESS) break
  }
  const best = worlds.reduce((a, b) => (b.log > a.log ? b : a))
  const total = worlds.reduce((sum, { log }) => sum + Math.exp(log - best.log), 0)
  const hypotheses = worlds.flatMap(({ state, log }) =>
    state.hypotheses.map((one) => ({ ...one, weight: (one.weight * Math.exp(log - best.log)) / total })),
  )
  const logTwo = Math.log(1 - LUG_BY_LUG) + best.log + Math.log(total)
  const lugs = 1 / (1 + Math.exp(logTwo - logLugs))
  const leads = lugs > 0.5
  return {
    ...best.state,
    // With the errors that were stated: how many of them they scatter by is told beside.
    newest: asSaid.newest,
    ...{ hypotheses, belief: momentsOf(hypotheses) },
    leftOut: leads ? picture.stray : best.state.leftOut,
    byLug: { picture, weight: lugs },
    scatter:
      (1 - lugs) *
        worlds.reduce((sum, { scatter, log }) => sum + (scatter * Math.exp(log - best.log)) / total, 0) +
      lugs * scatterOf(picture),
  }
}

const scatterOf = (picture: LugPicture) =>
  weighed(picture).reduce((sum, { member, weight }) => sum + weight * member.scatter, 0)

/** The picture lug by lug is the likelier one. */
export const lugsLead = ({ byLug }: Pick<HeadState, 'byLug'>) => byLug !== null && byLug.weight > 0.5

/** Pitch of every lug in Hz as the likelier picture has it. */
export function shownLugHz(state: HeadState): number[] {
  if (!lugsLead(state)) return stateLugHz(state.leading, state.lugs)
  const { picture } = state.byLug!
  return lugCents(picture).map(({ cents }) => hzOf(picture, cents))
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
  { learned, gaugeLaw, gaugeError = DEFAULT_GAUGE_ERROR }: KnownBefore,
  source: Source,
  around: number,
): LugPicture {
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
  let picture = lugPictureOf(head, around, source, learned, farthestOf(said))
  let presses = 0
  rounds.forEach((round, i) => {
    const { numbers, words } = said[i]
    if (numbers.length) picture = numbersRead(picture, numbers)
    if (words.length) picture = wordsRead(picture, words)
    if (!round.turns) return
    const pressed = rounds[i + 1]?.pressed ?? i === rounds.length - 1
    picture = lugsTurned(picture, round.turns, presses === 0 ? SETTLING_CENTS.first : SETTLING_CENTS.later)
    if (pressed) presses++
  })
  return picture
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
