import { isTom } from '../kit/kinds'
import { drumRange } from '../kit/range'
import { usualDepthInches } from '../kit/sizes'
import { USUAL_RELATION_CENTS } from '../kit/usual'
import { turnLawPrior } from '../membrane/turnLaw'
import type { PairDrum } from '../pair/types'
import { CENTS_PER_NEPER } from '../units/pitch'
import { STANDARD_THREAD_MM } from '../units/turns'
import type { PlanDrum, PlanRequest } from './types'

/** A drum to plan with all that was left out filled in. */
export interface KnownDrum extends PlanDrum {
  lowestHz: number
  favouriteHz: number
  highestHz: number
  threadPitchMm: number
  law: { batter: number; resonant: number }
  weight: number
}

/** A drum's pitch in a plan is somebody's own: it was read, asked for, or placed among the toms. Else only its size speaks. */
export const isOwn = (
  { id, kind, now }: Pick<PlanDrum, 'id' | 'kind' | 'now'>,
  { pinned = {}, move = [] }: Pick<PlanRequest, 'pinned' | 'move'>,
): boolean => Boolean(now) || isTom(kind) || id in pinned || move.includes(id)

export const centsAbove1Hz = (hz: number) => CENTS_PER_NEPER * Math.log(hz)
export const hzOfCents = (cents: number) => Math.exp(cents / CENTS_PER_NEPER)

export function knownDrum(drum: PlanDrum, weight: number): KnownDrum {
  const threadPitchMm = drum.threadPitchMm ?? STANDARD_THREAD_MM
  const law = (side: 'batter' | 'resonant') =>
    drum.turnLaw?.[side] ?? turnLawPrior(drum.diameterInches, threadPitchMm, drum[`${side}Mils`]).mean
  const usual = drumRange(drum, [], [], drum.turnLaw?.batter)
  const favouriteHz = drum.favouriteHz ?? clampTo(usual.favouriteHz, drum.lowestHz, drum.highestHz)
  return {
    ...drum,
    ...{ threadPitchMm, weight, favouriteHz },
    lowestHz: drum.lowestHz ?? Math.min(usual.lowestHz, favouriteHz),
    highestHz: drum.highestHz ?? Math.max(usual.highestHz, favouriteHz),
    law: { batter: law('batter'), resonant: law('resonant') },
  }
}

const clampTo = (hz: number, low = 0, high = Infinity) => Math.min(high, Math.max(low, hz))

/** How far the resonant head is to stand above the batter, in cents. */
export function relationOf(drum: PlanDrum, { headRelation }: Pick<PlanRequest, 'headRelation'>): number {
  const own = drum.now
    ? centsAbove1Hz(drum.now.resonantHz) - centsAbove1Hz(drum.now.batterHz)
    : USUAL_RELATION_CENTS[drum.kind]
  if (!headRelation) return own
  if ('byDrum' in headRelation) return headRelation.byDrum[drum.id] ?? own
  // Kick and snare are their own matter: one relation for the kit is one for its toms.
  return isTom(drum.kind) ? headRelation.resonantAboveCents : own
}

/** Where a drum that nobody read would stand as such drums do. */
export function usualPlace(drum: PlanDrum): { id: string; batterHz: number; resonantHz: number } {
  const { id, favouriteHz } = knownDrum(drum, 1)
  return {
    id,
    batterHz: favouriteHz,
    resonantHz: favouriteHz * 2 ** (USUAL_RELATION_CENTS[drum.kind] / 1200),
  }
}

/** The drum as the model of two heads takes it; depth and films as usual where they were not given. */
export function pairOfPlan(drum: PlanDrum): PairDrum {
  const films = drum.kind === 'snare' ? { batter: [10], resonant: [3] } : { batter: [7, 7], resonant: [10] }
  const head = (pliesMils: number[]) => ({ pliesMils, hoop: 'triple-flanged' as const })
  return {
    kind: drum.kind,
    diameterInches: drum.diameterInches,
    depthInches: drum.depthInches ?? usualDepthInches(drum.kind, drum.diameterInches),
    lugs: drum.lugs ?? 8,
    threadPitchMm: drum.threadPitchMm ?? STANDARD_THREAD_MM,
    batter: head(drum.batterMils ?? films.batter),
    resonant: drum.oneHeaded ? null : head(drum.resonantMils ?? films.resonant),
    port: drum.portInches && !drum.oneHeaded ? { diameterInches: drum.portInches } : null,
  }
}
