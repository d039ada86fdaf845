import { turnLawOf } from '../membrane/turnLaw'
import type { LearnedPair } from './learn'
import { centreHz } from './model'
import { limitsOf } from './solve'
import type { PairDrum } from './types'

/** The whole trade-off of two heads: centre pitch over a grid of both lug pitches, in equal steps of their logarithms. */
export interface PairGrid {
  batterHz: number[]
  resonantHz: number[]
  /** Row by row, resonant upward: `centreHz[r][b]`. */
  centreHz: number[][]
}

const POINTS = 17

/** Centre pitches within the limits of both heads; some hundred milliseconds. */
export function pairGrid(
  drum: PairDrum,
  { parts }: LearnedPair,
  law: { batter?: number; resonant?: number },
): PairGrid {
  const { low, high } = limitsOf(drum, {
    batter: turnLawOf(drum, 'batter', law.batter),
    resonant: turnLawOf(drum, 'resonant', law.resonant),
  })
  const axis = (i: 0 | 1) =>
    Array.from({ length: POINTS }, (_, p) => Math.exp(low[i] + ((high[i] - low[i]) * p) / (POINTS - 1)))
  const batterHz = axis(0)
  const resonantHz = axis(1)
  return {
    batterHz,
    resonantHz,
    centreHz: resonantHz.map((r) => batterHz.map((b) => centreHz(drum, b, r, parts))),
  }
}
