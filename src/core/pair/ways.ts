import { turnLawOf, turnsBetween } from '../membrane/turnLaw'
import { CENTS_PER_NEPER } from '../units/pitch'
import { believePair } from './belief'
import { learnPair } from './learn'
import { aboveBy, centreHz } from './model'
import type { PairRequest } from './solve'

/** The three ways in which people come to a relation: the resonant head moves, the batter, or each half. */
export type WayId = 'resonant' | 'batter' | 'half'

export interface PairWay {
  way: WayId
  batterHz: number
  resonantHz: number
  turns: { batter: number; resonant: number }
  centreHz: number
  /** What happens to the centre, in cents from where it is believed now. */
  centreMovesCents: number
}

/** The three ways to a relation side by side; none on a drum of one head. @param aboveCents resonant above batter */
export function waysTo(
  { drum, now, seen = [], turnLaw = {} }: Omit<PairRequest, 'want'>,
  aboveCents: number,
): PairWay[] {
  const { parts, ...learned } = learnPair(drum, [...seen, now])
  const stands = believePair(drum, now, { parts, ...learned })
  const { batterHz, resonantHz } = stands
  if (resonantHz === null) return []
  const law = (side: 'batter' | 'resonant') => turnLawOf(drum, side, turnLaw[side])
  const from = centreHz(drum, stands, parts)
  const middle = (CENTS_PER_NEPER * Math.log(resonantHz / batterHz) - aboveCents) / 2
  const places: Array<[WayId, number]> = [
    ['resonant', batterHz],
    ['batter', aboveBy(resonantHz, -aboveCents)],
    ['half', aboveBy(batterHz, middle)],
  ]
  return places.map(([way, batter]) => {
    const at = { batterHz: batter, resonantHz: aboveBy(batter, aboveCents) }
    const centre = centreHz(drum, at, parts)
    return {
      ...{ way, ...at, centreHz: centre },
      turns: {
        batter: turnsBetween(batterHz, at.batterHz, law('batter')),
        resonant: turnsBetween(resonantHz, at.resonantHz, law('resonant')),
      },
      centreMovesCents: CENTS_PER_NEPER * Math.log(centre / from),
    }
  })
}

/** A wish for the sound as a direction on the map, and what it is founded on (common practice, no source). */
export const WISHES = {
  warmer: {
    label: 'warmer',
    says: 'both heads down, towards a third: a third is warmer and softer of attack',
  },
  longer: { label: 'longer', says: 'the resonant towards the batter: alike is the longest ring' },
  shorter: { label: 'shorter', says: 'the resonant away from the batter, upward: focus and control' },
  attack: {
    label: 'more attack',
    says: 'the batter up towards or over the resonant: most attack, least ring',
  },
} as const
export type WishId = keyof typeof WISHES
export const WISH_IDS = Object.keys(WISHES) as WishId[]

/** One wish moves a head by this; both heads by part of it. Judgements: to be heard, and easily taken back. */
const WISH_CENTS = 100
const WARMER_CENTS = 60
const THIRD_CENTS = 400

/** Where a wish leads from a place, one step on. */
export function wished(
  wish: WishId,
  { batterHz, resonantHz }: { batterHz: number; resonantHz: number },
): { batterHz: number; resonantHz: number } {
  const above = CENTS_PER_NEPER * Math.log(resonantHz / batterHz)
  switch (wish) {
    case 'warmer': {
      const towardsThird = Math.max(-WISH_CENTS, Math.min(0, THIRD_CENTS - above))
      return {
        batterHz: aboveBy(batterHz, -WARMER_CENTS),
        resonantHz: aboveBy(resonantHz, -WARMER_CENTS + towardsThird),
      }
    }
    case 'longer':
      return {
        batterHz,
        resonantHz: aboveBy(resonantHz, Math.max(-WISH_CENTS, Math.min(WISH_CENTS, -above))),
      }
    case 'shorter':
      return { batterHz, resonantHz: aboveBy(resonantHz, WISH_CENTS) }
    case 'attack':
      return { batterHz: aboveBy(batterHz, WISH_CENTS), resonantHz }
  }
}
