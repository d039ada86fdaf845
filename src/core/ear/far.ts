import { turnLawPrior } from '../membrane/turnLaw'
import { seededRandom } from '../numeric/random'
import { centsBetween, shiftByCents } from '../units/pitch'
import { STANDARD_THREAD_MM } from '../units/turns'
import { higherPair, type DrillDrum, type DrillTap } from './trial'

/** How far to turn: one tap as the head stands, one as it is wanted; the turns of every rod between them are to be said. */
export interface FarTrial {
  taps: DrillTap[]
  levelDb: number
  /** Turns of every rod that would do it, in eighths. */
  turns: number
  fromHz: number
  toHz: number
}

export interface Guess {
  said: number
  true: number
}

const STEP = 1 / 8
const LEAST = 1
const MOST = 6

/** Makes a trial; the same seed makes the same. */
export function farTrial(drum: DrillDrum, seed: number): FarTrial {
  const random = seededRandom(seed)
  const size = LEAST + Math.floor((MOST - LEAST + 1) * random.uniform() * 0.9999)
  const turns = (random.uniform() < 0.5 ? -1 : 1) * size * STEP
  const fromHz = shiftByCents(drum.lugHz, 120 * (random.uniform() - 0.5))
  const law = turnLawPrior(drum.diameterInches, STANDARD_THREAD_MM, drum.batterMils).mean
  const toHz = Math.sqrt(Math.max((0.4 * fromHz) ** 2, fromHz * fromHz + law * turns))
  return {
    ...{ turns, fromHz, toHz, levelDb: -3 * random.uniform() },
    taps: higherPair(drum, [fromHz, toHz], random),
  }
}

export interface FarResult {
  guesses: number
  /** Mean of what was said less what it took, in turns: over 0 says too much upward. */
  biasTurns: number
  /** Root mean square of the misses, in turns. */
  offTurns: number
  /** Those on the wrong side: said up where down was needed. */
  wrongWay: number
}

export function farResult(guesses: readonly Guess[]): FarResult | null {
  if (guesses.length === 0) return null
  const off = guesses.map((guess) => guess.said - guess.true)
  return {
    guesses: guesses.length,
    biasTurns: off.reduce((sum, each) => sum + each, 0) / off.length,
    offTurns: Math.sqrt(off.reduce((sum, each) => sum + each * each, 0) / off.length),
    wrongWay: guesses.filter((guess) => guess.said * guess.true < 0).length,
  }
}

/** What a guess would have made of the head: cents past the wanted pitch. */
export function centsPast(drum: DrillDrum, { fromHz, toHz }: FarTrial, said: number): number {
  const law = turnLawPrior(drum.diameterInches, STANDARD_THREAD_MM, drum.batterMils).mean
  return centsBetween(toHz, Math.sqrt(Math.max(100, fromHz * fromHz + law * said)))
}
