import { besselPrimeZeros, besselZeros } from '../numeric/bessel'
import { inchesToMetres } from '../units/length'
import { rootBetween } from '../numeric/root'
import { airMassPerArea, type AirSpace } from './air'
import { filmMassPerArea, SOUND_SPEED } from './film'

/**
 * Modes of one circular head. f_mn = j_mn / (2 pi a) * sqrt(T / sigma): Rayleigh, *The Theory of Sound*,
 * chapter IX; Fletcher & Rossing, *The Physics of Musical Instruments*, chapters 3 and 18. `sigma` includes the
 * air that moves with the film, which is of the film's own order and differs from mode to mode.
 */
export interface Head {
  diameterInches: number
  pliesMils: readonly number[]
  /** The space behind the film: null where the depth is not known, then only outside air is counted. */
  space: AirSpace | null
  /** Outside air against that of a piston in an endless wall; 1 where left out. */
  outsideAir?: number
}

/** A mode's number of nodal diameters m, of nodal circles n (the rim counts), and the zero j_mn. */
export interface ModeShape {
  m: number
  n: number
  zero: number
}

/** The modes that a tap shows in the range where lug pitches lie, by rising zero. */
export const MODE_SHAPES: readonly ModeShape[] = [
  [0, 1],
  [1, 1],
  [2, 1],
  [0, 2],
  [3, 1],
  [1, 2],
  [4, 1],
].map(([m, n]) => ({ m, n, zero: besselZeros(m, n)[n - 1] }))

export const LUG_MODE = MODE_SHAPES[1]

/** The two poles of an uneven head's (1,1) pair lie within this: heads as found are seldom further out. */
export const WIDEST_PAIR_CENTS = 230

/** Frequency of an ideal mode in vacuum, in Hz, from tension N/m, film kg/m^2, and diameter. */
export function idealModeHz(shape: ModeShape, tension: number, massPerArea: number, diameterInches: number) {
  const radius = inchesToMetres(diameterInches) / 2
  return (shape.zero / (2 * Math.PI * radius)) * Math.sqrt(tension / massPerArea)
}

/**
 * Frequency of a mode with its air, in Hz, at a given tension (N/m): the first root going up, since the air's load
 * itself depends on the frequency.
 */
export function modeHz(head: Head, shape: ModeShape, tension: number): number {
  const radius = inchesToMetres(head.diameterInches) / 2
  const film = filmMassPerArea(head.pliesMils)
  const outside = airMassPerArea({ ...head, space: null }, shape, 0)
  const stiffness = tension * (shape.zero / radius) ** 2
  return firstRootHz((hz) => {
    const inside = airMassPerArea(head, shape, hz) - outside
    return naturalHz(stiffness - (2 * Math.PI * hz) ** 2 * inside, film + outside)
  })
}

/** Frequency in Hz of stiffness over mass, both per area; 0 where the stiffness is negative. */
export function naturalHz(stiffness: number, massPerArea: number): number {
  return Math.sqrt(Math.max(0, stiffness) / massPerArea) / (2 * Math.PI)
}

/** Steps of the upward search: 2%, far finer than the distance of air-column resonances. */
const SCAN_RATIO = 1.02
const LOWEST_ROOT_HZ = 5
const HIGHEST_ROOT_HZ = 6000
/** Stands for 0 where a logarithm is taken. */
const NO_HZ = 1e-6

/**
 * The lowest f with natural(f) = f, where `natural` is the mode's frequency if the air's load were that of f. Going up
 * in frequency the first is the film's own; further ones belong to standing waves of the air column.
 * @param fromHz the search begins here, below the root
 * @param ratio and goes up by this
 */
export function firstRootHz(
  natural: (hz: number) => number,
  fromHz = LOWEST_ROOT_HZ,
  ratio = SCAN_RATIO,
): number {
  const above = (log: number) => Math.log(Math.max(NO_HZ, natural(Math.exp(log)))) - log
  let low = Math.log(fromHz)
  let atLow = above(low)
  while (atLow < 0 && low > 0) atLow = above((low -= 1))
  const most = Math.log(HIGHEST_ROOT_HZ)
  for (;;) {
    const high = low + Math.log(ratio)
    const atHigh = above(high)
    if (!(atHigh > 0) || !(high < most)) return Math.exp(rootBetween(above, [low, high], [atLow, atHigh]))
    ;[low, atLow] = [high, atHigh]
  }
}

/**
 * Up to this part of the pitch at which the space carries the shape as a wave its air is a mass on the film. Nearer, a column without
 * losses would pull without end, and beyond it backwards: a head that reads so high is leaned on as it is here.
 */
const BELOW_CUT_ON = 0.9

function trustedHz({ diameterInches, space }: Head, { m }: ModeShape): number {
  if (!space || m === 0) return Infinity
  const [zero] = besselPrimeZeros(m, 1)
  return (BELOW_CUT_ON * zero * SOUND_SPEED) / (2 * Math.PI * inchesToMetres(diameterInches / 2))
}

/**
 * Tension in N/m from a lug pitch (the (1,1) mode, other head muted), air included:
 * T = (sigma + sigma_air) (2 pi a f / j11)^2. Another shape may be given, with its pitch.
 */
export function tensionFromLugHz(head: Head, lugHz: number, shape: ModeShape = LUG_MODE): number {
  const radius = inchesToMetres(head.diameterInches) / 2
  const mass =
    filmMassPerArea(head.pliesMils) + airMassPerArea(head, shape, Math.min(lugHz, trustedHz(head, shape)))
  return mass * ((2 * Math.PI * radius * lugHz) / shape.zero) ** 2
}

/** Load in newtons that a tension (N/m) means for each of `lugs` rods: T * 2 pi a / lugs, before friction. */
export function loadPerRod(tension: number, diameterInches: number, lugs: number): number {
  return (tension * Math.PI * inchesToMetres(diameterInches)) / lugs
}
