import { lugRow, stateErrorCents } from '../head/belief'
import { type HeadState } from '../head/estimate'
import { oppositeRod } from '../head/harmonics'
import { observed } from '../numeric/gaussian'
import { COSINE, MEAN, SINE, type Belief } from '../head/kalman'
import { rodPulls } from '../head/rods'
import { CENTS_PER_NEPER } from '../units/pitch'

/** What is worth asking next: which lug to tap, whether enough is known, which rods to feel. */

/** Lug pitches known to within this, or a third of the tolerance, are known well enough to turn. */
const ENOUGH_TO_TURN_CENTS = 2.2
/** Four taps tell a head that behaves, two more check it. */
const ENOUGH_TAPS = 6

/** Whether enough lugs were read to turn: known closely enough, checked by two more, and in agreement. */
export function isEnough(state: HeadState, toleranceCents: number): boolean {
  // A dial read at every lug is no tap.
  const taps = state.newest.length
  if (taps >= state.lugs) return true
  const doubt = Math.max(...stateErrorCents(state.leading, state.lugs))
  return (
    taps >= ENOUGH_TAPS &&
    state.leftOut.length === 0 &&
    state.surprises.at(-1)! < CONTRADICTION &&
    doubt < Math.max(ENOUGH_TO_TURN_CENTS, toleranceCents / 3)
  )
}

/** Squared standard errors, a third of the sum, from which readings contradict the model. */
const CONTRADICTION = 9
/** A pair's rods are worth feeling when it turns this much and which of them is loose is known no better than this. */
const ASK_TURNS = 1 / 16
const ASK_DOUBT_TURNS = 0.04
const MOST_ASKED = 6

/** Rods whose feel would tell most: of the pairs that turn most, those where nothing says which rod is the loose one. */
export function rodsToFeel(state: HeadState, turns: readonly number[]): number[] {
  const { lugs } = state
  if (lugs % 2) return []
  const pulls = rodPulls(state.rods)
  return Array.from({ length: lugs / 2 }, (_, a) => ({ a, b: oppositeRod(a, lugs) }))
    .filter(({ a, b }) => Math.abs(turns[a] + turns[b]) >= 2 * ASK_TURNS && pulls[a].error > ASK_DOUBT_TURNS)
    .sort((x, y) => Math.abs(turns[y.a] + turns[y.b]) - Math.abs(turns[x.a] + turns[x.b]))
    .flatMap(({ a, b }) => [a + 1, b + 1])
    .slice(0, MOST_ASKED)
}

/** A pass is checked by so many taps; before any pass, and where a pass surprised, more lugs are named. */
const TAPS_AFTER_A_PASS = 4
const LEAST_TAPS = 3
/** Lug pitches known to within this need no further tap after a pass. */
const WELL_KNOWN_CENTS = 2.2
const MOST_NAMED = 6

/**
 * Lugs (from 1) most worth tapping next, best first: those to be read again, else those whose reading would take most
 * uncertainty away, after the pass that is advised where there is one.
 * @param later what is believed once the pass is made
 * @param again lugs that disagree or were left out
 */
export function readNext(
  state: HeadState,
  later: Belief,
  passed: boolean,
  again: readonly number[],
): number[] {
  const { lugs } = state
  const known = passed ? [] : state.read
  const left = Array.from({ length: lugs }, (_, i) => i).filter((lug) => !known.includes(lug))
  const most = passed ? TAPS_AFTER_A_PASS : MOST_NAMED
  const least = passed ? LEAST_TAPS : MOST_NAMED
  const order = again.slice(0, most)
  let now = later
  while (left.length && order.length < most) {
    const scored = left.map((lug) => {
      const hz2 = Math.max(1, now.x[MEAN])
      const after = observed(now, lugRow(lug, lugs), hz2, ((2 * hz2 * 2) / CENTS_PER_NEPER) ** 2)
      const doubt = [MEAN, COSINE, SINE].reduce((sum, i) => sum + after.p[i * 6], 0)
      return { lug, doubt, after }
    })
    const best = scored.reduce((a, b) => (b.doubt < a.doubt * (1 - 1e-9) ? b : a))
    if (!order.includes(best.lug + 1)) order.push(best.lug + 1)
    left.splice(left.indexOf(best.lug), 1)
    now = best.after
    if (order.length >= least && Math.max(...stateErrorCents(now, lugs)) < WELL_KNOWN_CENTS) break
  }
  return order
}
