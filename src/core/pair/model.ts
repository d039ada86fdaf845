import { coupledMode, coupledModes, type CoupledMode, type Shell } from '../membrane/coupled'
import { LUG_MODE, modeHz, MODE_SHAPES, tensionFromLugHz } from '../membrane/modes'
import { CENTS_PER_NEPER } from '../units/pitch'
import type { PairDrum, PairPlace } from './types'

/**
 * Two heads forward: from both lug pitches to what the whole drum does. The two films and the air column between them, one
 * mode shape at a time (`membrane/coupled`); a full solution with all shapes differs by less than 6 cents on the drums
 * tried (docs/decisions/two-heads.md). A drum of one head is that head before an open shell.
 */

/** A drum's own parts as logarithms of factors on what the sizes say: films, depth, air outside, and the centre pitch as a whole. */
export interface PairParts {
  batterMass: number
  resonantMass: number
  depth: number
  /** Air outside against that of a piston in an endless wall. */
  outside: number
  centre: number
}

export const PART_KEYS = ['batterMass', 'resonantMass', 'depth', 'outside', 'centre'] as const
/** What the sizes say, outside air that of a baffled piston: the textbook's drum, for checks. */
export const TEXTBOOK_PARTS: PairParts = { batterMass: 0, resonantMass: 0, depth: 0, outside: 0, centre: 0 }
/**
 * What a drum is taken for before its centre was read: outside air is 0.6 to 1.0 of a baffled piston's by shell, stand and room
 * (no source), so between.
 */
export const USUAL_PARTS: PairParts = { ...TEXTBOOK_PARTS, outside: Math.log(0.85) }

export interface PairState {
  /** Lowest pitch at which both heads move the same way, both free: the drum's note. */
  centreHz: number
  /** Batter lug pitch over centre pitch. */
  ratio: number
  /** The (0,1) modes themselves, together and apart: how each head moves in them. `apart` is null with one head. */
  together: CoupledMode
  apart: CoupledMode | null
  /** The heads' edge modes with the other free, lower first, and how much of each is heard at the batter's edge. */
  edge: CoupledMode[]
  /** Beat of the two where both are heard at the batter; 0 where one is alone. */
  warbleHz: number
}

/** Edge modes nearer than this are heard as one note that beats. */
const BEATS_BELOW_HZ = 25
/** A mode with less than this part of its movement in the batter is not heard there. */
const HEARD_SHARE = 0.3

const CENTRE_SHAPE = MODE_SHAPES[0]

/** What the heads do together. Lug pitches in Hz, each with the other head muted. */
export function pairState(drum: PairDrum, at: PairPlace, parts: PairParts = TEXTBOOK_PARTS): PairState {
  const { shell, batter, resonant } = films(drum, at, parts)
  const whole = Math.exp(parts.centre)
  const scaled = (mode: CoupledMode): CoupledMode => ({ ...mode, hz: mode.hz * whole })
  if (!resonant) {
    const alone = { batter: 1, resonant: 0 }
    const together = { ...alone, hz: centreHz(drum, at, parts) }
    return {
      ...{ centreHz: together.hz, ratio: at.batterHz / together.hz, together, apart: null },
      ...{ edge: [{ ...alone, hz: at.batterHz }], warbleHz: 0 },
    }
  }
  const together = scaled(coupledMode('together', shell, CENTRE_SHAPE, batter, resonant))
  const edge = coupledModes(shell, LUG_MODE, batter, resonant)
  const beat = edge[1].hz - edge[0].hz
  const heard = edge.every((mode) => Math.abs(mode.batter) > HEARD_SHARE)
  return {
    ...{ centreHz: together.hz, ratio: at.batterHz / together.hz, together, edge },
    apart: scaled(coupledMode('apart', shell, CENTRE_SHAPE, batter, resonant)),
    warbleHz: heard && beat < BEATS_BELOW_HZ ? beat : 0,
  }
}

/** The centre pitch alone, in Hz: what learning and the inverse ask for again and again. */
export function centreHz(drum: PairDrum, at: PairPlace, parts: PairParts): number {
  const { shell, batter, resonant, single } = films(drum, at, parts)
  const hz = resonant
    ? coupledMode('together', shell, CENTRE_SHAPE, batter, resonant).hz
    : modeHz(single, CENTRE_SHAPE, batter.tension)
  return hz * Math.exp(parts.centre)
}

function films(drum: PairDrum, { batterHz, resonantHz }: PairPlace, parts: PairParts) {
  const { diameterInches } = drum
  const shell: Shell = {
    diameterInches,
    depthInches: drum.depthInches * Math.exp(parts.depth),
    portInches: drum.port?.diameterInches ?? 0,
    outsideAir: Math.exp(parts.outside),
  }
  const space = { depthInches: shell.depthInches, open: drum.resonant === null }
  const headOf = (pliesMils: readonly number[], logMass: number) => ({
    ...{ diameterInches, space, outsideAir: shell.outsideAir },
    pliesMils: pliesMils.map((ply) => ply * Math.exp(logMass)),
  })
  const pulled = (head: ReturnType<typeof headOf>, lugHz: number) => ({
    pliesMils: head.pliesMils,
    tension: tensionFromLugHz(head, lugHz),
  })
  const single = headOf(drum.batter.pliesMils, parts.batterMass)
  const other = drum.resonant && headOf(drum.resonant.pliesMils, parts.resonantMass)
  return {
    ...{ shell, single, batter: pulled(single, batterHz) },
    resonant: other && resonantHz !== null ? pulled(other, resonantHz) : null,
  }
}

/** Lug pitches an interval apart: the resonant one from the batter's. */
export function aboveBy(batterHz: number, cents: number): number {
  return batterHz * Math.exp(cents / CENTS_PER_NEPER)
}
