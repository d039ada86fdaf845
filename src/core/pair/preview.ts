import type { CoupledMode } from '../membrane/coupled'
import { radiationPerSecond } from '../membrane/radiation'
import type { RingingTone } from '../sound/ringing'
import { pairState, type PairParts } from './model'
import { LUG_DECAY_POWER } from '../head/readingLaw'
import type { RingForecast } from './ring'
import type { PairDrum, PairPlace } from './types'

/**
 * Tones of a stroke on the centre of a drum as it would stand: the lowest note with the ring foretold, the note in which the
 * heads move against each other, and both edge notes, which a stroke never quite misses. Their levels are those of a usual
 * stroke (a judgement); pitches and ring are the model's.
 */
const UPPER_DB = -14
const EDGE_DB = -20
/** Edge notes hardly radiate: they outlast the low note by this. */
const EDGE_RING = 1.3

export function plannedTones(
  drum: PairDrum,
  at: PairPlace,
  ring: RingForecast,
  parts: PairParts,
): RingingTone[] {
  const { centreHz, apart, edge } = pairState(drum, at, parts)
  const plies = { batter: drum.batter.pliesMils, resonant: drum.resonant?.pliesMils ?? null }
  const own = (1 - ring.radiated) / ring.decaySeconds
  const upperDecay = (mode: CoupledMode) =>
    1 /
    (own * (mode.hz / centreHz) ** LUG_DECAY_POWER +
      radiationPerSecond(drum.diameterInches, drum.depthInches, mode.hz, plies, mode))
  return [
    { hz: centreHz, decaySeconds: ring.decaySeconds, levelDb: 0 },
    ...(apart ? [{ hz: apart.hz, decaySeconds: upperDecay(apart), levelDb: UPPER_DB }] : []),
    ...edge.map(({ hz, batter }) => ({
      hz,
      decaySeconds: (EDGE_RING * ring.decaySeconds * centreHz) / hz,
      levelDb: EDGE_DB + 20 * Math.log10(Math.max(0.05, Math.abs(batter))),
    })),
  ]
}
