/**
 * A root of a continuous function that changes its sign between two places, by false position with the idle end's value halved
 * (the Illinois rule; Dowell & Jarratt 1971).
 * @param at value of the function
 * @param within stops when the bracket is this narrow
 * @returns the place of the root; the nearer end where both have one sign
 */
export function rootBetween(
  at: (x: number) => number,
  [low, high]: [number, number],
  [atLow, atHigh]: [number, number],
  within = 1e-10,
): number {
  if (atLow === 0 || atHigh === 0 || atLow > 0 === atHigh > 0)
    return Math.abs(atLow) <= Math.abs(atHigh) ? low : high
  for (let i = 0; i < MOST_STEPS && Math.abs(high - low) > within; i++) {
    const x = (low * atHigh - high * atLow) / (atHigh - atLow)
    const value = at(x)
    if (value === 0) return x
    if (value > 0 === atHigh > 0) atLow /= 2
    else [low, atLow] = [high, atHigh]
    ;[high, atHigh] = [x, value]
    if (Math.abs(value) < within) break
  }
  return high
}
const MOST_STEPS = 60
