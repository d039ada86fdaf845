import { Matrix, solve } from 'ml-matrix'
import { lugAngle } from '../head/harmonics'
import { edgeStiffness, filmStiffness, stressOfHarmonic } from '../membrane/planeStress'
import { HIGHEST_HARMONIC } from '../membrane/ritz'
import type { Hoop } from '../membrane/turnLaw'
import { inchesToMetres, milsToMetres } from '../units/length'
import type { Nature } from './nature'

/**
 * From rods to the film's edge: the hoop as an elastic ring (bending and torsion) on the elastic film, held down at the
 * lugs by rods that yield and can only pull. Small displacements; everything is a balance of forces by harmonics.
 */
export interface Parts {
  diameterInches: number
  lugs: number
  hoop: Hoop
  threadPitchMm: number
  pliesMils: readonly number[]
  nature: Nature
}

export interface Held {
  /** Displacement of the film's edge outwards, in metres, by harmonic. */
  edge: { cosine: number[]; sine: number[] }
  /** Pull of every rod in newtons; 0 where it is slack. */
  rodNewtons: number[]
}

/** Stiffness of one rod with its lug, in N/m, on a 14 inch drum; larger shells have larger castings that yield more. */
const ROD_STIFFNESS = 5.3e5
/** Yielding of the film's collar and flesh hoop, in m^2/N: metres per newton and metre of edge. */
const COLLAR = 4.3e-7
const REFERENCE_RADIUS = inchesToMetres(14) / 2
/** How the yielding grows with the radius, so that the turn law falls with diameter as it is seen to. */
const YIELDING_EXPONENT = 0.3

/** Hoops: bending stiffness in N m^2, and that over the torsional one (thin open sections twist easily). */
const HOOPS: Record<Hoop, { bending: number; overTorsion: number }> = {
  'die-cast': { bending: 900, overTorsion: 6 },
  'triple-flanged': { bending: 900, overTorsion: 50 },
  'single-flanged': { bending: 560, overTorsion: 60 },
  wood: { bending: 420, overTorsion: 20 },
}

/** Newtons per metre of travel and metre of edge that the hoop answers to harmonic k: none to 0 and 1 (rigid motion). */
export function hoopStiffness(hoop: Hoop, k: number, radius: number): number {
  const { bending, overTorsion } = HOOPS[hoop]
  return k < 2 ? 0 : ((bending / radius ** 4) * (k * k - 1) ** 2) / (1 + overTorsion / (k * k))
}

const HARMONICS = 2 * HIGHEST_HARMONIC + 1
const isSine = (index: number) => index > HIGHEST_HARMONIC
const orderOf = (index: number) => (isSine(index) ? index - HIGHEST_HARMONIC : index)

/**
 * Where the film's edge comes to stand.
 * @param travel turns of each rod from where it just touches (negative: it hangs loose)
 */
export function holdDown(parts: Parts, travel: readonly number[]): Held {
  const { lugs, nature } = parts
  const radius = inchesToMetres(parts.diameterInches) / 2
  const thickness = parts.pliesMils.reduce((sum, mils) => sum + milsToMetres(mils), 0)
  const film = nature.film * filmStiffness(thickness, radius)
  const yielding = nature.yielding * (radius / REFERENCE_RADIUS) ** YIELDING_EXPONENT
  const collar = COLLAR * yielding
  const stretch = (k: number) => film * edgeStiffness(k)
  const given = (k: number) => 1 + collar * stretch(k)

  // Ring and film, per harmonic of the hoop's travel; the film's part is reduced by the collar's yielding.
  const ground = new Float64Array(HARMONICS * HARMONICS)
  const offset = new Float64Array(HARMONICS)
  for (let a = 0; a < HARMONICS; a++) {
    const k = orderOf(a)
    const norm = k === 0 ? 2 * Math.PI * radius : Math.PI * radius
    ground[a * HARMONICS + a] += (norm * stretch(k)) / given(k)
    const own = (isSine(a) ? nature.edgeOffset.sine : nature.edgeOffset.cosine)[k] ?? 0
    offset[a] = ((norm * stretch(k)) / given(k)) * own
  }
  addHoop(ground, parts, radius)
  const rods = nature.rodStiffness.map((factor, i) =>
    nature.stripped.includes(i) ? 0 : (ROD_STIFFNESS * factor) / yielding,
  )
  const lead = parts.threadPitchMm / 1000
  const at = Array.from({ length: lugs }, (_, i) =>
    Array.from({ length: HARMONICS }, (__, a) =>
      isSine(a) ? Math.sin(orderOf(a) * lugAngle(i, lugs)) : Math.cos(orderOf(a) * lugAngle(i, lugs)),
    ),
  )
  const { travelled, pulls } = withSlackRods(
    ground,
    offset,
    rods,
    at,
    travel.map((turns, i) => Math.min(turns, nature.bindsTurns[i]) * lead),
  )
  const edge = {
    cosine: new Array<number>(HIGHEST_HARMONIC + 1).fill(0),
    sine: new Array<number>(HIGHEST_HARMONIC + 1).fill(0),
  }
  for (let a = 0; a < HARMONICS; a++) {
    const k = orderOf(a)
    const own = (isSine(a) ? nature.edgeOffset.sine : nature.edgeOffset.cosine)[k] ?? 0
    const moved = (nature.film * (travelled[a] + own)) / given(k)
    ;(isSine(a) ? edge.sine : edge.cosine)[k] = moved
  }
  return { edge, rodNewtons: pulls }
}

/** The ring's stiffness, with what is irregular about it mixing the harmonics. */
function addHoop(ground: Float64Array, { hoop, nature }: Parts, radius: number) {
  const root = Array.from({ length: HARMONICS }, (_, a) =>
    Math.sqrt(nature.hoop * hoopStiffness(hoop, orderOf(a), radius)),
  )
  const points = 48
  for (let p = 0; p < points; p++) {
    const t = (2 * Math.PI * p) / points
    let factor = 1
    for (let k = 1; k < nature.hoopIrregular.cosine.length; k++) {
      factor +=
        nature.hoopIrregular.cosine[k] * Math.cos(k * t) + nature.hoopIrregular.sine[k] * Math.sin(k * t)
    }
    const value = Array.from(
      { length: HARMONICS },
      (_, a) => root[a] * (isSine(a) ? Math.sin(orderOf(a) * t) : Math.cos(orderOf(a) * t)),
    )
    const weight = ((2 * Math.PI * radius) / points) * Math.max(0.1, factor)
    for (let a = 0; a < HARMONICS; a++)
      for (let b = 0; b < HARMONICS; b++) ground[a * HARMONICS + b] += weight * value[a] * value[b]
  }
}

/** Rods only pull: those that would push are let go, and taken back when the hoop comes up against them again. */
function withSlackRods(
  ground: Float64Array,
  offset: Float64Array,
  rods: readonly number[],
  at: readonly number[][],
  travel: readonly number[],
) {
  const active = travel.map((metres, i) => metres > 0 && rods[i] > 0)
  let travelled = new Float64Array(HARMONICS)
  for (let round = 0; round < 4 * rods.length; round++) {
    const a = Matrix.from1DArray(HARMONICS, HARMONICS, ground)
    const b = new Float64Array(HARMONICS)
    offset.forEach((force, i) => (b[i] = -force))
    rods.forEach((stiffness, rod) => {
      if (!active[rod]) return
      for (let i = 0; i < HARMONICS; i++) {
        b[i] += stiffness * travel[rod] * at[rod][i]
        for (let j = 0; j < HARMONICS; j++) {
          a.set(i, j, a.get(i, j) + stiffness * at[rod][i] * at[rod][j])
        }
      }
    })
    // A hair of stiffness for the rigid tilt that no rod holds when all are slack.
    travelled = Float64Array.from(solve(a, Matrix.columnVector(b)).to1DArray())
    let changed = false
    rods.forEach((stiffness, rod) => {
      const stretch = travel[rod] - at[rod].reduce((sum, v, i) => sum + v * travelled[i], 0)
      const pulls = stretch > 0 && stiffness > 0
      if (pulls !== active[rod]) {
        active[rod] = pulls
        changed = true
      }
    })
    if (!changed) break
  }
  const pulls = rods.map((stiffness, rod) => {
    const stretch = travel[rod] - at[rod].reduce((sum, v, i) => sum + v * travelled[i], 0)
    return active[rod] ? Math.max(0, stiffness * stretch) : 0
  })
  return { travelled, pulls }
}

/** Pull of the film across the hoop, N_rr in N/m, at a place: fraction of the radius, angle in rad. */
export function radialTension(parts: Parts, { edge }: Held, radiusFraction: number, angle: number): number {
  const radius = inchesToMetres(parts.diameterInches) / 2
  const thickness = parts.pliesMils.reduce((sum, mils) => sum + milsToMetres(mils), 0)
  let sum = 0
  for (let k = 0; k <= HIGHEST_HARMONIC; k++) {
    const pull = edge.cosine[k] * Math.cos(k * angle) + edge.sine[k] * Math.sin(k * angle)
    sum += stressOfHarmonic(k, radiusFraction).radial * pull
  }
  return filmStiffness(thickness, radius) * sum
}

/**
 * Smaller principal pull of the film at a place, in N/m: negative where a film that could push would be pushed together.
 * From the resultants across, along and askew to the radius.
 */
export function leastPull(parts: Parts, { edge }: Held, radiusFraction: number, angle: number): number {
  const radius = inchesToMetres(parts.diameterInches) / 2
  const thickness = parts.pliesMils.reduce((sum, mils) => sum + milsToMetres(mils), 0)
  let [radial, hoop, shear] = [0, 0, 0]
  for (let k = 0; k <= HIGHEST_HARMONIC; k++) {
    const stress = stressOfHarmonic(k, radiusFraction)
    const [c, s] = [Math.cos(k * angle), Math.sin(k * angle)]
    radial += stress.radial * (edge.cosine[k] * c + edge.sine[k] * s)
    hoop += stress.hoop * (edge.cosine[k] * c + edge.sine[k] * s)
    shear += stress.shear * (edge.cosine[k] * s - edge.sine[k] * c)
  }
  const least = (radial + hoop) / 2 - Math.hypot((radial - hoop) / 2, shear)
  return filmStiffness(thickness, radius) * least
}
