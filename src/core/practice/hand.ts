import { dialAt } from '../head/gauge'
import type { Feel, GaugeLaw } from '../head/types'
import { edgeTension, heldBy, type PracticeHead } from './model'

/** The simulated gauge: a dial that reads 0 to 100, near 60 on a tom; its law is for the user to find. */
const SIMULATED_GAUGE: GaugeLaw = { g0: 100, c: 62_000 }
/** Its needle is read to half a mark. */
const MARK = 0.5
/** A rod that pulls this part less or more than the others is felt as loose or tight. */
const FELT_PART = 0.13

/** What the gauge and the hand tell of a practice head: the dial beside every lug, and the feel of every rod. */
export function handOn(head: PracticeHead): { dials: number[]; feel: Feel[] } {
  const held = heldBy(head)
  const mean = held.rodNewtons.reduce((sum, n) => sum + n, 0) / held.rodNewtons.length
  return {
    dials: edgeTension(head, held).map(
      (tension) => Math.round(dialAt(SIMULATED_GAUGE, Math.max(1, tension)) / MARK) * MARK,
    ),
    feel: held.rodNewtons.map((n) =>
      n < (1 - FELT_PART) * mean ? 'loose' : n > (1 + FELT_PART) * mean ? 'tight' : 'alike',
    ),
  }
}
