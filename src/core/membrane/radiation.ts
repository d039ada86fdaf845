import { besselJ } from '../numeric/bessel'
import { inchesToMetres } from '../units/length'
import { airMassPerArea } from './air'
import { AIR_DENSITY, filmMassPerArea, SOUND_SPEED } from './film'
import { MODE_SHAPES } from './modes'

const CENTRE = MODE_SHAPES[0]

/**
 * How fast the sound itself takes the energy of a drum's lowest mode, as the amplitude's loss in 1/s.
 *
 * Each head is a small source of volume velocity; what both push outward together radiates as a simple source,
 * P = rho c k^2 Q^2 / (8 pi), what one pushes and the other takes back as a pair of opposite sources a distance d apart,
 * P = rho c k^4 d^2 Q^2 / (24 pi) (Kinsler & Frey, *Fundamentals of Acoustics*, chapter 7). In the lowest mode the heads
 * move the same way through the drum, so that heads that move alike hardly radiate and ring longest. The loss is P over
 * twice the mode's energy.
 * @param share movement of both heads in one direction, as of `coupledModes`
 */
export function radiationPerSecond(
  diameterInches: number,
  depthInches: number,
  hz: number,
  pliesMils: { batter: readonly number[]; resonant: readonly number[] | null },
  share: { batter: number; resonant: number },
): number {
  const radius = inchesToMetres(diameterInches) / 2
  const area = Math.PI * radius ** 2
  const k = (2 * Math.PI * hz) / SOUND_SPEED
  // Mean and mean square of J_0(j r) over the disc.
  const mean = (2 * besselJ(1, CENTRE.zero)) / CENTRE.zero
  const square = besselJ(1, CENTRE.zero) ** 2
  // A head before an open shell breathes out of the far end what it takes in at this one.
  const outward = pliesMils.resonant ? area * mean * (share.batter - share.resonant) : 0
  const across = pliesMils.resonant
    ? (area * mean * (share.batter + share.resonant)) / 2
    : area * mean * share.batter
  const impedance = AIR_DENSITY * SOUND_SPEED
  const power =
    (impedance * k ** 2 * outward ** 2) / (8 * Math.PI) +
    (impedance * k ** 4 * inchesToMetres(depthInches) ** 2 * across ** 2) / (24 * Math.PI)
  const air = airMassPerArea({ diameterInches, space: null }, CENTRE, hz)
  const energy =
    0.5 *
    area *
    square *
    ((filmMassPerArea(pliesMils.batter) + air) * share.batter ** 2 +
      (filmMassPerArea(pliesMils.resonant ?? []) + air) * share.resonant ** 2)
  return power / (2 * energy)
}
