import { KICK_GAP, SEPARATE_CENTS } from './cost'
import type { Placing } from './chain'
import { centsAbove1Hz, type KnownDrum } from './known'
import { LEAST_TURN, toNearestNote, type State } from './states'
import type { Gives, PlanRequest } from './types'

/** Nearer than this is nothing given up. */
const FAVOURITE_GIVES = 40
const GAP_GIVES = 12
const SNARE_GIVES = 70
const FAVOUR_GIVES = 12
const RANGE_GIVES = 1

/** The drums of a placing, in its order. */
export interface Placed {
  toms: KnownDrum[]
  kicks: KnownDrum[]
  snares: Array<{ drum: KnownDrum; at: State }>
}

/** What a plan gives up, drum by drum, lowest first. */
export function givesOf(
  { toms, kicks, snares }: Placed,
  placing: Placing,
  wanted: readonly number[][],
  { favourHz = [] }: PlanRequest,
): Gives[] {
  const own = (drum: KnownDrum, { cents, batterHz: hz, turns }: State): Gives[] => {
    const off = cents - centsAbove1Hz(drum.favouriteHz)
    const beyond =
      Math.min(0, cents - centsAbove1Hz(drum.lowestHz)) + Math.max(0, cents - centsAbove1Hz(drum.highestHz))
    const key = favourHz.length ? toNearestNote(cents, favourHz) : 0
    return [
      ...(Math.abs(beyond) > RANGE_GIVES
        ? [{ what: 'range' as const, drum: drum.id, cents: beyond, hz }]
        : // What stands where it stood gives up nothing for the plan.
          Math.abs(off) > FAVOURITE_GIVES && !(drum.now && turns < LEAST_TURN)
          ? [{ what: 'favourite' as const, drum: drum.id, cents: off, hz }]
          : []),
      ...(key > FAVOUR_GIVES ? [{ what: 'favour' as const, drum: drum.id, cents: key, hz }] : []),
    ]
  }
  const gaps = wanted.flatMap((wants, i): Gives[] => {
    const gap = placing.toms[i + 1].cents - placing.toms[i].cents
    const ends = { drum: toms[i].id, next: toms[i + 1].id }
    const want = wants.reduce((a, b) => (Math.abs(gap - b) < Math.abs(gap - a) ? b : a), wants[0] ?? gap)
    if (gap < SEPARATE_CENTS && Math.abs(gap - want) <= GAP_GIVES)
      return [{ what: 'close', ...ends, cents: gap }]
    return Math.abs(gap - want) > GAP_GIVES ? [{ what: 'gap', ...ends, cents: gap, wanted: want }] : []
  })
  const buzz = toms.flatMap(({ id }, i): Gives[] =>
    snares.flatMap(({ at }): Gives[] => {
      const { cents, batterHz: hz } = placing.toms[i]
      const off = cents - at.cents
      return Math.abs(off) < SNARE_GIVES
        ? [{ what: 'snare', drum: id, cents: off, hz, snareHz: at.batterHz }]
        : []
    }),
  )
  const kick = kicks.flatMap(({ id }, i): Gives[] => {
    const { cents, batterHz: hz } = placing.kicks[i]
    const gap = placing.toms.length ? placing.toms[0].cents - cents : KICK_GAP.least
    return gap < KICK_GAP.least || gap > KICK_GAP.most ? [{ what: 'kick', drum: id, cents: gap, hz }] : []
  })
  return [
    ...toms.flatMap((tom, i) => own(tom, placing.toms[i])),
    ...gaps,
    ...buzz,
    ...kicks.flatMap((each, i) => own(each, placing.kicks[i])),
    ...kick,
    ...snares.flatMap(({ drum, at }) => own(drum, at)),
  ]
}
