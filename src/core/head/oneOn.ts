import { CENTS_PER_NEPER } from '../units/pitch'
import { lugAngle } from './harmonics'

/** What a head's mean and pair leave of its lugs' pitches, one standard deviation in cents. */
const LEFT_CENTS = 5
/** So much better, twice the log of the odds, that nobody is asked for nothing. */
const CLEARLY_BETTER = 12
/** ... and good in itself: no lug further off than this. */
const GOOD_CENTS = 15
/** Mean and pair take three readings; fewer than these many say nothing. */
const FEWEST = 5

/**
 * Did the readings slip by one lug, from one that may have been missed on? A head's lug pitches are its mean and a rise and
 * fall twice round (m = 2): laid one lug on, the readings must fit that clearly better than as they lie.
 * @param readings pitches in Hz by lug, from 1
 * @param from the lug whose tap may have been missed: its reading and all behind it would lie one lug on
 */
export function fitsOneOn(readings: ReadonlyMap<number, number>, lugs: number, from: number): boolean {
  const lie = [...readings].map(([lug, hz]) => ({ lug, cents: CENTS_PER_NEPER * Math.log(hz) }))
  const moved = lie.map(({ lug, cents }) => ({ lug: lug >= from ? lug + 1 : lug, cents }))
  if (lie.length < FEWEST || !lie.some(({ lug }) => lug >= from) || moved.some(({ lug }) => lug > lugs))
    return false
  const asTheyLie = left(lie, lugs)
  const oneOn = left(moved, lugs)
  return asTheyLie.squares - oneOn.squares > CLEARLY_BETTER * LEFT_CENTS ** 2 && oneOn.furthest < GOOD_CENTS
}

/** Squares left, and the furthest, of the best mean and pair. */
function left(points: ReadonlyArray<{ lug: number; cents: number }>, lugs: number) {
  const rows = points.map(({ lug }) => {
    const angle = 2 * lugAngle(lug - 1, lugs)
    return [1, Math.cos(angle), Math.sin(angle)]
  })
  const mean = points.reduce((sum, { cents }) => sum + cents, 0) / points.length
  const weights = solveThree(
    rows,
    points.map(({ cents }) => cents - mean),
  )
  const rest = points.map(
    ({ cents }, i) => cents - mean - rows[i].reduce((sum, x, k) => sum + x * weights[k], 0),
  )
  return {
    squares: rest.reduce((sum, x) => sum + x * x, 0),
    furthest: Math.max(...rest.map(Math.abs)),
  }
}

/** Least squares in three unknowns, a little held towards nothing so that four lugs do not make it singular. */
function solveThree(rows: number[][], values: number[]): number[] {
  const normal = [0, 1, 2].map((i) => [
    ...[0, 1, 2].map((j) => rows.reduce((sum, row) => sum + row[i] * row[j], i === j ? HELD : 0)),
    rows.reduce((sum, row, k) => sum + row[i] * values[k], 0),
  ])
  for (let i = 0; i < 3; i++)
    for (let j = 0; j < 3; j++) {
      if (i === j) continue
      const factor = normal[j][i] / normal[i][i]
      for (let k = 0; k < 4; k++) normal[j][k] -= factor * normal[i][k]
    }
  return normal.map((row, i) => row[3] / row[i])
}
const HELD = 1e-6
