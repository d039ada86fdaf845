/**
 * Stress in a flat film whose edge is pulled outwards by U_k cos(k theta) without slipping along the edge: plane stress
 * of a disc by complex potentials, phi = b z^(k+1), psi = c z^(k-1) (Muskhelishvili, *Some Basic Problems of the
 * Mathematical Theory of Elasticity*). Everything here is per unit of E h U_k / a, with the radius as unit of length.
 */

/** Young's modulus in Pa and Poisson's ratio of polyester film (film data sheets, from memory: 3.8 to 5 GPa, 0.38). */
const FILM_MODULUS_PA = 4.3e9
export const FILM_POISSON = 0.38

const SHEAR = 1 / (2 * (1 + FILM_POISSON))
const KOLOSOV = (3 - FILM_POISSON) / (1 + FILM_POISSON)

/** Stress resultants of one harmonic at one radius: N_rr and N_tt go with cos(k theta), N_rt with sin(k theta). */
export interface EdgeStress {
  radial: number
  hoop: number
  shear: number
}

/**
 * @param k harmonic of the edge's displacement, 0 for all round
 * @param r fraction of the radius, above 0
 * @returns resultants in units of E h U_k / a
 */
export function stressOfHarmonic(k: number, r: number): EdgeStress {
  if (k === 0) {
    const even = 1 / (1 - FILM_POISSON)
    return { radial: even, hoop: even, shear: 0 }
  }
  const b = SHEAR / KOLOSOV
  const c = -(KOLOSOV + k + 1) * b
  const half = 2 * (k + 1) * b * r ** k
  const bracket = (k + 1) * k * b * r ** k + (k - 1) * c * r ** Math.max(0, k - 2)
  return { radial: half - bracket, hoop: half + bracket, shear: bracket }
}

/** Radial pull at the edge per unit of edge displacement, in units of E h / a: how hard the film resists harmonic k. */
export function edgeStiffness(k: number): number {
  return stressOfHarmonic(k, 1).radial
}

/** E h / a in N/m per metre of edge displacement: thickness of the plies in metres, radius in metres. */
export function filmStiffness(thicknessMetres: number, radiusMetres: number): number {
  return (FILM_MODULUS_PA * thicknessMetres) / radiusMetres
}
