import { milsToMetres } from '../units/length'

/** Density of polyester film in kg/m^3 (film data sheets, from memory). */
const FILM_DENSITY = 1390
/** Density of air in kg/m^3 and speed of sound in m/s at about 20 C (from memory). */
export const AIR_DENSITY = 1.2
export const SOUND_SPEED = 343

/** Mass per area of a head in kg/m^2 from the thickness of its plies in mils; a coating is not counted. */
export function filmMassPerArea(pliesMils: readonly number[]): number {
  return FILM_DENSITY * pliesMils.reduce((sum, mils) => sum + milsToMetres(mils), 0)
}
