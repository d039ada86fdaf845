import { turnLawPrior } from '../membrane/turnLaw'
import { STANDARD_THREAD_MM } from '../units/turns'
import { usualTurns, type SizedDrum } from './usual'

/** Where a drum speaks, chokes and is at its best: batter lug pitches in Hz, each with its error in cents. */
export interface DrumRange {
  lowestHz: number
  favouriteHz: number
  highestHz: number
  errorCents: { lowest: number; favourite: number; highest: number }
}

export type RangeMark = { mark: 'growls' | 'best' | 'chokes'; hz: number }

/** A size says no more than this of a drum's range. */
const PRIOR_CENTS = 250
/** A mark is worth this; a drum growls a little below where it begins to speak, and so above. */
const MARK_CENTS = 60
const BESIDE_CENTS = 40
/** A pitch that was kept on a sheet was good, if not the best. */
const KEPT_CENTS = 200
/** The range is never narrower than this around its best. */
const LEAST_CENTS = 60

/**
 * Range of a drum's batter from its size, the user's marks and the pitches that were kept, each with its weight.
 * @param hz2PerTurn what a turn does, where the head has shown it; else from the size
 */
export function drumRange(
  drum: SizedDrum,
  marks: readonly RangeMark[],
  keptHz: readonly number[],
  hz2PerTurn?: number,
): DrumRange {
  const k =
    hz2PerTurn ??
    turnLawPrior(drum.diameterInches, drum.threadPitchMm ?? STANDARD_THREAD_MM, drum.batterMils).mean
  const turns = usualTurns(drum)
  const of = (mark: RangeMark['mark'], besideCents: number) =>
    marks
      .filter((each) => each.mark === mark)
      .map(({ hz }) => ({ hz: hz * 2 ** (besideCents / 1200), cents: MARK_CENTS }))
  const usual = (turn: number) => ({ hz: Math.sqrt(turn * k), cents: PRIOR_CENTS })
  const kept = keptHz.map((hz) => ({ hz, cents: KEPT_CENTS }))
  const favourite = combined([usual(turns.favourite), ...of('best', 0), ...kept])
  const low = combined([usual(turns.lowest), ...of('growls', BESIDE_CENTS)])
  const high = combined([usual(turns.highest), ...of('chokes', -BESIDE_CENTS)])
  // What was marked best, or kept, speaks: the ends give way to it.
  const apart = 2 ** (LEAST_CENTS / 1200)
  const spoken = [favourite.hz, ...keptHz, ...marks.filter(({ mark }) => mark === 'best').map(({ hz }) => hz)]
  const growls = Math.max(0, ...marks.filter(({ mark }) => mark === 'growls').map(({ hz }) => hz))
  const chokes = Math.min(Infinity, ...marks.filter(({ mark }) => mark === 'chokes').map(({ hz }) => hz))
  const lowestHz = Math.max(growls, Math.min(low.hz, Math.min(...spoken) / apart))
  const highestHz = Math.min(chokes, Math.max(high.hz, Math.max(...spoken) * apart))
  return {
    lowestHz: Math.min(lowestHz, favourite.hz),
    favouriteHz: favourite.hz,
    highestHz: Math.max(highestHz, favourite.hz),
    errorCents: { lowest: low.cents, favourite: favourite.cents, highest: high.cents },
  }
}

/** Pitches said with different certainty, as one: weighted by inverse variance, in cents. */
function combined(parts: ReadonlyArray<{ hz: number; cents: number }>): { hz: number; cents: number } {
  const weights = parts.map(({ cents }) => 1 / cents ** 2)
  const total = weights.reduce((sum, weight) => sum + weight, 0)
  const log = parts.reduce((sum, { hz }, i) => sum + weights[i] * Math.log(hz), 0) / total
  return { hz: Math.exp(log), cents: Math.sqrt(1 / total) }
}
