import { climb, type Climb } from '../fitting/climb'
import { settlingOf, type Settling } from '../fitting/settling'
import { centsBetween } from '../units/pitch'
import { believed } from '../evening/believed'
import { requestOf, type HeadAtHand } from '../status/inputs'
import { isRead, type Pass, type Sitting } from '../log/sittings'

/** All rods went alike. */
export function alike(turns: readonly number[]): boolean {
  return turns.every((turn) => Math.abs(turn - turns[0]) < 1e-9)
}

/**
 * The way up from slack; null for a head that was not begun from slack or has no pitch to go to. Turns under way count.
 */
export function climbOf(head: HeadAtHand, targetHz: number | null, largestStepTurns: number): Climb | null {
  const { sitting } = head
  if (!sitting?.slack || targetHz === null) return null
  const { state } = believed(requestOf(head, null, { open: true }))
  // Passes that were not read, as behind wrinkles, count with the one before them.
  const read = sitting.passes.findLastIndex(isRead)
  const since = sitting.passes.slice(Math.max(0, read)).flatMap(({ turns }) => turns ?? [])
  return climb({
    belief: state.belief,
    targetHz,
    largestStepTurns,
    turnedSinceReading: since.reduce((sum, turn) => sum + turn, 0) / head.drum.lugs,
    anyReading: read >= 0,
  })
}

/** Lugs that are enough after a press, or on the way up. */
export const CHECK_LUGS = 2

/** A round in which the head was only pressed and read again. */
export function isPressOnly(before: Pass | undefined, pass: Pass): boolean {
  return pass.pressed && Boolean(before?.turns?.every((turn) => turn === 0))
}

/** What each press without a turn took off the pitch, by the lugs read before and after it. */
export function settlingNow(sitting: Sitting): Settling {
  let presses = 0
  const falls = sitting.passes.flatMap((pass, i) => {
    if (pass.pressed) presses++
    const before = sitting.passes[i - 1]
    if (!isPressOnly(before, pass)) return []
    const cents = [...pass.readings.values()].flatMap(({ lug, hz }) => {
      const was = before.readings.get(lug)
      return was ? [centsBetween(hz, was.hz)] : []
    })
    if (cents.length < CHECK_LUGS) return []
    return [{ press: presses, cents: cents.reduce((sum, each) => sum + each, 0) / cents.length }]
  })
  return settlingOf(falls, presses + (sitting.pressedAfter ? 1 : 0))
}
