import { turnLawOf } from '../membrane/turnLaw'
import { believePair } from './belief'
import { learnPair, type LearnedPair } from './learn'
import { centreHz } from './model'
import { guessedRange } from './limits'
import type { PairRequest } from './solve'
import type { PairDrum, PairPlace } from './types'

/** The whole trade-off of two heads: centre pitch over a grid of both lug pitches, in equal steps of their logarithms. */
export interface PairGrid {
  batterHz: number[]
  resonantHz: number[]
  /** Row by row, resonant upward: `centreHz[r][b]`. */
  centreHz: number[][]
}

const POINTS = 17

/** Centre pitches over what both heads are usually taken to, and where they stand now; some ten milliseconds. */
export function pairGrid(
  drum: PairDrum,
  { parts }: LearnedPair,
  law: { batter?: number; resonant?: number },
  now: PairPlace,
): PairGrid {
  const axis = (side: 'batter' | 'resonant') => {
    const { low, high } = guessedRange(drum, side, turnLawOf(drum, side, law[side]), now[`${side}Hz`])
    return Array.from({ length: POINTS }, (_, p) => Math.exp(low + ((high - low) * p) / (POINTS - 1)))
  }
  const batterHz = axis('batter')
  const resonantHz = drum.resonant ? axis('resonant') : []
  return {
    batterHz,
    resonantHz,
    centreHz: resonantHz.map((r) =>
      batterHz.map((b) => centreHz(drum, { batterHz: b, resonantHz: r }, parts)),
    ),
  }
}

/** The map for whatever was read of a drum. */
export function pairMapOf({ drum, now, seen = [], turnLaw = {} }: Omit<PairRequest, 'want'>): PairGrid {
  const learned = learnPair(drum, [...seen, now])
  return pairGrid(drum, learned, turnLaw, believePair(drum, now, learned))
}
