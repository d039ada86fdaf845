/** The fast routine for a borrowed kit: what is done on one drum in about five minutes. */
export interface FastStep {
  what: 'look' | 'fingers' | 'up' | 'press' | 'pass' | 'other' | 'play'
  /** With `up`: turns of all rods. */
  turns?: number
  minutes: number
}

/** Times of a hand that knows its way, in seconds (common practice, no source); a turn is per rod, by keys. */
const SECONDS = { finger: 4, turn: { 1: 3.5, 2: 2 }, tap: 4, press: 5, look: 20, play: 30 }

export interface FastRequest {
  lugs: number
  keys: 1 | 2
  /** Rounds of all rods up from slack, in turns each. */
  rounds: readonly number[]
}

/** Minutes that so many taps take. */
export const tapMinutes = (taps: number) => (taps * SECONDS.tap) / 60

/** More than this is turned in several rounds. */
const ROUND_TURNS = 0.5

/**
 * What bringing one head by `turns` of all rods takes: rods touched, and minutes. Rounds of all rods and one of half of them
 * at the end, each pressed, the head read before, between and after.
 */
export function headCost(turns: number, lugs: number, keys: 1 | 2): { rods: number; minutes: number } {
  if (turns === 0) return { rods: 0, minutes: 0 }
  const rounds = Math.ceil(Math.abs(turns) / ROUND_TURNS)
  const seconds =
    (rounds + 0.5) * lugs * SECONDS.turn[keys] +
    (rounds + 1) * SECONDS.press +
    (rounds + 2) * lugs * SECONDS.tap
  return { rods: lugs, minutes: seconds / 60 }
}

/** Steps in order with their minutes; what it leaves out is said by `text/fitting`. */
export function fastRoutine({ lugs, keys, rounds }: FastRequest): { steps: FastStep[]; minutes: number } {
  const turnAll = (lugs * SECONDS.turn[keys]) / 60
  const steps: FastStep[] = [
    { what: 'look', minutes: SECONDS.look / 60 },
    // Every rod down and up again by hand.
    { what: 'fingers', minutes: (2 * lugs * SECONDS.finger) / 60 },
    ...rounds.map((turns): FastStep => ({ what: 'up', turns, minutes: turnAll })),
    { what: 'press', minutes: SECONDS.press / 60 },
    { what: 'pass', minutes: (4 * SECONDS.tap + SECONDS.press) / 60 + turnAll },
    { what: 'other', minutes: (2 * SECONDS.tap) / 60 },
    { what: 'play', minutes: SECONDS.play / 60 },
  ]
  return { steps, minutes: steps.reduce((sum, { minutes }) => sum + minutes, 0) }
}
