import { coupledModes, lowerCoupledMode, type CoupledMode } from '../membrane/coupled'
import { LUG_MODE, MODE_SHAPES, tensionFromLugHz, type ModeShape } from '../membrane/modes'
import { CENTS_PER_NEPER } from '../units/pitch'
import type { PairDrum } from './types'

/**
 * Two heads forward: from both lug pitches to what the whole drum does. The two films and the air column between them, one
 * mode shape at a time (`membrane/coupled`); a full solution with all shapes differs by less than 6 cents on the drums
 * tried (docs/decisions/two-heads.md).
 */

/** A drum's own parts as logarithms of factors on what the sizes say: films, depth, and the centre pitch as a whole. */
export interface PairParts {
  batterMass: number
  resonantMass: number
  depth: number
  centre: number
}

export const PART_KEYS = ['batterMass', 'resonantMass', 'depth', 'centre'] as const
export const USUAL_PARTS: PairParts = { batterMass: 0, resonantMass: 0, depth: 0, centre: 0 }

export interface PairState {
  /** Lowest pitch of the drum with both heads free, and the mode in which the heads move against each other. */
  centreHz: number
  upperHz: number
  /** Both (0,1) modes themselves: how each head moves in them. */
  low: CoupledMode
  upper: CoupledMode
  /** Batter lug pitch over centre pitch. */
  ratio: number
  /** Both heads' edge modes with the other free, lower first, and how much of each is heard at the batter's edge. */
  edge: [CoupledMode, CoupledMode]
  /** Beat of the two where both are heard at the batter; 0 where one is alone. */
  warbleHz: number
}

/** Edge modes nearer than this are heard as one note that beats. */
const BEATS_BELOW_HZ = 25
/** A mode with less than this part of its movement in the batter is not heard there. */
const HEARD_SHARE = 0.3

/**
 * What both heads do together.
 * @param batterHz lug pitch in Hz with the other head muted
 * @param resonantHz the same of the resonant head
 */
export function pairState(
  drum: PairDrum,
  batterHz: number,
  resonantHz: number,
  parts: PairParts = USUAL_PARTS,
): PairState {
  const { at } = films(drum, batterHz, resonantHz, parts)
  const [low, high] = at(MODE_SHAPES[0])
  const edge = at(LUG_MODE)
  const whole = Math.exp(parts.centre)
  const beat = edge[1].hz - edge[0].hz
  const heard = edge.every((mode) => Math.abs(mode.batter) > HEARD_SHARE)
  return {
    centreHz: low.hz * whole,
    upperHz: high.hz * whole,
    low,
    upper: high,
    ratio: batterHz / (low.hz * whole),
    edge,
    warbleHz: heard && beat < BEATS_BELOW_HZ ? beat : 0,
  }
}

/** The centre pitch alone, in Hz: what learning and the inverse ask for again and again. */
export function centreHz(drum: PairDrum, batterHz: number, resonantHz: number, parts: PairParts): number {
  return films(drum, batterHz, resonantHz, parts).lowest().hz * Math.exp(parts.centre)
}

function films(drum: PairDrum, batterHz: number, resonantHz: number, parts: PairParts) {
  const { diameterInches } = drum
  const depthInches = drum.depthInches * Math.exp(parts.depth)
  const space = { depthInches }
  const head = (pliesMils: readonly number[], logMass: number, lugHz: number) => {
    const own = pliesMils.map((ply) => ply * Math.exp(logMass))
    return { pliesMils: own, tension: tensionFromLugHz({ diameterInches, pliesMils: own, space }, lugHz) }
  }
  const batter = head(drum.batter.pliesMils, parts.batterMass, batterHz)
  const resonant = head(drum.resonant.pliesMils, parts.resonantMass, resonantHz)
  const port = drum.port ? drum.port.diameterInches : 0
  const at = (shape: ModeShape) => coupledModes(diameterInches, depthInches, shape, batter, resonant, port)
  const lowest = () => lowerCoupledMode(diameterInches, depthInches, MODE_SHAPES[0], batter, resonant, port)
  return { at, lowest }
}

/** Lug pitches an interval apart: the resonant one from the batter's. */
export function aboveBy(batterHz: number, cents: number): number {
  return batterHz * Math.exp(cents / CENTS_PER_NEPER)
}
