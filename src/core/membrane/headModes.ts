import { CholeskyDecomposition, EigenvalueDecomposition, LuDecomposition, Matrix, solve } from 'ml-matrix'
import { inchesToMetres, milsToMetres } from '../units/length'
import { AIR_DENSITY, filmMassPerArea } from './film'
import { firstRootHz, naturalHz, type ModeShape } from './modes'
import { filmStiffness } from './planeStress'
import { HIGHEST_HARMONIC, type RitzBasis } from './ritz'
import { helmholtzHz, shellColumn } from './air'
import { insideAir, planeShare, ritzAir } from './ritzAir'

/** A film held at an edge that was pulled outwards by U(theta); metres, index k for cos(k theta) and sin(k theta). */
export interface Film {
  diameterInches: number
  depthInches: number
  pliesMils: readonly number[]
  edge: { cosine: readonly number[]; sine: readonly number[] }
  /** Air's density against the usual: 0 for none, in checks against a membrane in vacuum. */
  air?: number
  /** Air that moves outside, against that of a piston in an endless wall; and a hole in the other head. */
  outsideAir?: number
  portInches?: number
}

/** The head on the other side: its film and even tension in N/m; null where it is held still. */
export type OtherFilm = { pliesMils: readonly number[]; tension: number } | null

export interface FoundMode {
  hz: number
  /** Displacement of the tapped film by the shapes of the basis. */
  vector: Float64Array
  /** Part of the movement that is in the tapped film, 1 where it moves alone. */
  share: number
}

const DERIVATIVE_STEP = 1e-5
const CLOSE = 1e-9
const DEPENDENT = 1e-12
const MOST_STEPS = 12
const FIRST_STEPS = 3
/** The wanted shapes are found when this part of them is in the modes found. */
const FOUND = 0.75
/** A mode that is followed is much the same from step to step. */
const KEPT = 0.6
/** Modes of other shapes that may lie among the wanted ones. */
const MOST_STRANGERS = 4

interface Step {
  hz: number[]
  vectors: readonly Float64Array[]
}

/**
 * Modes of an uneven head with its air, near a start: K - omega^2 M(omega) is singular, K by Rayleigh-Ritz, M the film,
 * outside air and the air between the heads, which depends on the frequency. Found by inverse iteration of a small
 * subspace with Newton's step on the reduced problem (Ruhe 1973, nonlinear eigenvalue problems).
 */
export class HeadModes {
  private readonly stiffness: Float64Array
  private readonly size: number
  private readonly radius: number
  /** Film of either head, kg/m^2. */
  private readonly masses: number[]

  constructor(
    private readonly basis: RitzBasis,
    private readonly film: Film,
    private readonly other: OtherFilm,
  ) {
    const count = basis.shapes.length
    this.radius = inchesToMetres(film.diameterInches) / 2
    this.masses = [film, ...(other ? [other] : [])].map(({ pliesMils }) => filmMassPerArea(pliesMils))
    this.size = (other ? 2 * count : count) + (this.ported ? 1 : 0)
    const thickness = film.pliesMils.reduce((sum, mils) => sum + milsToMetres(mils), 0)
    const unit = filmStiffness(thickness, this.radius) / this.radius ** 2
    const k = new Float64Array(this.size * this.size)
    for (let harmonic = 0; harmonic <= HIGHEST_HARMONIC; harmonic++) {
      const c = unit * (film.edge.cosine[harmonic] ?? 0)
      const s = unit * (film.edge.sine[harmonic] ?? 0)
      for (let i = 0; i < count; i++) {
        for (let j = 0; j < count; j++) {
          k[i * this.size + j] +=
            c * basis.cosine[harmonic][i * count + j] + s * basis.sine[harmonic][i * count + j]
        }
      }
    }
    if (other) {
      basis.shapes.forEach(({ zero }, i) => {
        const at = count + i
        k[at * this.size + at] = other.tension * (zero / this.radius) ** 2
      })
    }
    this.stiffness = k
  }

  /** A hole in the other head: the air in it is one more thing that moves. */
  private get ported(): boolean {
    return this.other !== null && (this.film.portInches ?? 0) > 0
  }

  /**
   * The port's air on the spring of the plane wave, which both heads push: as a movement of its own, so that no pole of its pitch
   * stands in the way of the others. Left out again it gives the factor of `air.ts`.
   */
  private addPort(out: Float64Array, hz: number): void {
    const { film, basis, size } = this
    const port = helmholtzHz(film.portInches!, film.diameterInches, film.depthInches)
    const { direct, cross } = shellColumn({ ...film, portInches: 0 }, 0, hz)
    const spring = -((2 * Math.PI * hz) ** 2) * (film.air ?? 1) * (direct + cross)
    const { projection } = ritzAir(basis).orders[0]
    const count = basis.shapes.length
    const at = size - 1
    const half = Math.sqrt(0.5)
    basis.shapes.forEach(({ m, n, sine }, i) => {
      if (m !== 0 || sine) return
      const push = half * spring * planeShare(projection, n)
      for (const [place, sign] of [
        [i, -1],
        [count + i, 1],
      ]) {
        out[place * size + at] += sign * push
        out[at * size + place] += sign * push
      }
    })
    out[at * size + at] = spring * (1 - (hz / port) ** 2)
  }

  /** K - omega^2 M at one frequency. */
  private dynamic(hz: number): Float64Array {
    const { basis, film, other, size } = this
    const out = this.stiffness.slice()
    const omega2 = (2 * Math.PI * hz) ** 2
    const air = ritzAir(basis)
    const count = basis.shapes.length
    const n = basis.nMost
    const inside = air.orders.map((_, m) => insideAir(air, m, { ...film, portInches: 0 }, hz))
    const density = film.air ?? 1
    for (let start = 0; start < count; start += n) {
      const { m } = basis.shapes[start]
      for (let i = 0; i < n; i++) {
        for (let j = 0; j < n; j++) {
          const load = this.outsideLoad(m, i, j) + density * inside[m].direct[i * n + j]
          this.masses.forEach((mass, head) => {
            const at = (head * count + start + i) * size + head * count + start + j
            out[at] -= omega2 * (load + (i === j ? mass : 0))
          })
          if (!other) continue
          const over = omega2 * density * inside[m].cross[i * n + j]
          out[(start + i) * size + count + start + j] += over
          out[(count + start + i) * size + start + j] += over
        }
      }
    }
    if (this.ported) this.addPort(out, hz)
    return out
  }

  private outsideLoad(m: number, i: number, j: number): number {
    return (
      (this.film.air ?? 1) *
      (this.film.outsideAir ?? 1) *
      AIR_DENSITY *
      this.radius *
      ritzAir(this.basis).orders[m].outside[i * this.basis.nMost + j]
    )
  }

  /**
   * The pair of modes (or the one, for m = 0) of a shape, lower first.
   * @param startHz about where it lies; left out, where the shape alone would lie
   * @param parts of the two heads in it, for a start: 1 and 0 where the other is held still
   */
  near(shape: Pick<ModeShape, 'm' | 'n'>, startHz?: number, parts: [number, number] = [1, 0]): FoundMode[] {
    const count = this.basis.shapes.length
    const places = this.basis.shapes.flatMap(({ m, n }, i) => (m === shape.m && n === shape.n ? [i] : []))
    let vectors: readonly Float64Array[] = places.map((place) => {
      const v = new Float64Array(this.size)
      v[place] = parts[0]
      if (this.other) v[count + place] = parts[1]
      return v
    })
    const wanted = orthonormal(vectors)
    const from = startHz ?? this.aloneHz(places)
    // Iteration comes to what lies nearest in pitch, which may be modes of other shapes: those are taken in as well, until
    // the wanted shapes are found in what there is.
    for (let more = 0; ; more++) {
      let hz = from
      let found: Step = { hz: vectors.map(() => from), vectors }
      for (let i = 0; i < FIRST_STEPS; i++) {
        const next = this.step(found.vectors, hz)
        if (!next) break
        found = next
        hz = nearTo(from, mean(likest(found, wanted).map((which) => found.hz[which])))
      }
      const overlaps = found.vectors.map((v) => overlap(v, wanted))
      const whole = overlaps.reduce((sum, part) => sum + part, 0)
      // Where the iteration broke down what it had is as good as it gets.
      if (!(whole <= FOUND * wanted.length) || more === MOST_STRANGERS) {
        return likest(found, wanted)
          .sort((x, y) => found.hz[x] - found.hz[y])
          .map((which) => this.follow(found, which, from))
      }
      const strangest = overlaps.indexOf(Math.min(...overlaps))
      vectors = [...vectors, found.vectors[strangest]]
    }
  }

  /** Where the shapes would lie with every other shape held still: their mean stiffness, the air's load iterated. */
  private aloneHz(places: readonly number[]): number {
    const { m, n } = this.basis.shapes[places[0]]
    const stiffness = places.reduce((sum, i) => sum + this.stiffness[i * this.size + i], 0) / places.length
    const air = ritzAir(this.basis)
    const mass = this.masses[0] + this.outsideLoad(m, n - 1, n - 1)
    return firstRootHz((hz) => {
      const inside = insideAir(air, m, this.film, hz).direct[(n - 1) * (this.basis.nMost + 1)]
      return naturalHz(stiffness - (2 * Math.PI * hz) ** 2 * (this.film.air ?? 1) * inside, mass)
    })
  }

  /** One mode of a subspace to its own pitch: the air's load, and so the subspace, is that of its frequency. */
  private follow(from: Step, which: number, startHz: number): FoundMode {
    let { vectors } = from
    let whole = vectors[which]
    let hz = nearTo(startHz, from.hz[which])
    for (let i = 0; i < MOST_STEPS; i++) {
      const step = this.step(vectors, hz)
      if (!step) break
      const same = step.vectors.map((v) => overlap(v, [whole]))
      const at = same.indexOf(Math.max(...same))
      // A mode of another shape lies nearer than the twin and took its place: taken in, the one that is followed stays.
      if (same[at] < KEPT && vectors.length < from.vectors.length + MOST_STRANGERS) {
        const known = orthonormal(from.vectors)
        const parts = step.vectors.map((v) => overlap(v, known))
        vectors = [...vectors, step.vectors[parts.indexOf(Math.min(...parts))]]
        continue
      }
      const next = nearTo(startHz, step.hz[at])
      const change = next / hz - 1
      vectors = step.vectors
      whole = vectors[at]
      hz = next
      if (Math.abs(change) < CLOSE) break
    }
    const vector = whole.slice(0, this.basis.shapes.length)
    return { hz, vector, share: Math.sqrt(dot(vector, vector) / dot(whole, whole)) }
  }

  /** @returns null where the subspace has lost a dimension: what was found before is as good as it gets */
  private step(vectors: readonly Float64Array[], hz: number): Step | null {
    const { size } = this
    const d = this.dynamic(hz)
    const ahead = this.dynamic(hz * (1 + DERIVATIVE_STEP))
    const slope = ahead.map((x, i) => (x - d[i]) / (hz * DERIVATIVE_STEP))
    const lu = new LuDecomposition(new Matrix(rows(d, size)))
    // Right on the mode.
    if (lu.isSingular()) return null
    const pushed = vectors.map((v) => Matrix.columnVector(times(slope, v, size)))
    const solved = pushed.map((v) => Float64Array.from(lu.solve(v).to1DArray()))
    const basis = orthonormal(solved)
    if (basis.length === 0) return null
    const reduced = (a: Float64Array) => basis.map((v) => basis.map((w) => dot(v, times(a, w, size))))
    return rotate(basis, reduced(d), reduced(slope), hz)
  }
}

/** A x = delta B x, B negative definite; the frequencies move by -delta. Lower frequency first. */
function rotate(basis: Float64Array[], a: number[][], b: number[][], hz: number): Step | null {
  const n = basis.length
  const cholesky = new CholeskyDecomposition(symmetric(b).mul(-1))
  if (!cholesky.isPositiveDefinite()) return null
  const l = cholesky.lowerTriangularMatrix
  const inverse = solve(l, Matrix.eye(n))
  const c = inverse.mmul(symmetric(a).mul(-1)).mmul(inverse.transpose())
  if (!c.to1DArray().every(Number.isFinite)) return null
  const { realEigenvalues, eigenvectorMatrix } = new EigenvalueDecomposition(c, { assumeSymmetric: true })
  const x = inverse.transpose().mmul(eigenvectorMatrix)
  if (!realEigenvalues.every(Number.isFinite)) return null
  const order = realEigenvalues.map((_, i) => i).sort((i, j) => realEigenvalues[j] - realEigenvalues[i])
  return {
    hz: order.map((i) => hz - realEigenvalues[i]),
    vectors: order.map((i) =>
      unit(Float64Array.from(basis[0], (_, at) => basis.reduce((sum, v, k) => sum + x.get(k, i) * v[at], 0))),
    ),
  }
}

/** Without the rounding that parts one half of it from the other. */
function symmetric(a: number[][]): Matrix {
  const m = new Matrix(a)
  return Matrix.add(m, m.transpose()).mul(0.5)
}

/** Part of a vector, squared, that lies in the span of orthonormal ones. */
function overlap(vector: Float64Array, span: readonly Float64Array[]): number {
  return span.reduce((sum, v) => sum + dot(vector, v) ** 2, 0) / dot(vector, vector)
}

/** Places of the modes that are most like the wanted shapes, as many as those are. */
function likest({ vectors }: Step, wanted: readonly Float64Array[]): number[] {
  return vectors
    .map((v, i) => ({ i, part: overlap(v, wanted) }))
    .sort((x, y) => y.part - x.part)
    .slice(0, wanted.length)
    .map(({ i }) => i)
}

/** Newton's step leaps where two modes all but meet: held within an octave of where it began. */
const nearTo = (from: number, hz: number) => (hz >= from / 2 && hz <= 2 * from ? hz : from)

const mean = (values: readonly number[]) => values.reduce((sum, v) => sum + v, 0) / values.length

function unit(v: Float64Array): Float64Array {
  const size = Math.sqrt(dot(v, v))
  return v.map((x) => x / size)
}

function rows(a: Float64Array, n: number): Float64Array[] {
  return Array.from({ length: n }, (_, i) => a.subarray(i * n, (i + 1) * n))
}

function times(a: Float64Array, v: Float64Array, n: number): Float64Array {
  const out = new Float64Array(n)
  for (let i = 0; i < n; i++) {
    let sum = 0
    for (let j = 0; j < n; j++) sum += a[i * n + j] * v[j]
    out[i] = sum
  }
  return out
}

function dot(a: Float64Array, b: Float64Array): number {
  let sum = 0
  for (let i = 0; i < a.length; i++) sum += a[i] * b[i]
  return sum
}

function orthonormal(vectors: readonly Float64Array[]): Float64Array[] {
  const out: Float64Array[] = []
  for (const vector of vectors) {
    const v = vector.slice()
    for (const known of out) {
      const part = dot(v, known)
      for (let i = 0; i < v.length; i++) v[i] -= part * known[i]
    }
    // One that the others hold already adds nothing but its rounding.
    if (dot(v, v) > DEPENDENT * dot(vector, vector)) out.push(unit(v))
  }
  return out
}
