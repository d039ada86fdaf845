/**
 * A slow second opinion on an unevenly stretched round film in vacuum: linear triangles, consistent mass, subspace
 * iteration with conjugate gradients. Shares nothing with the product's Ritz method.
 */
export type StressAt = (r: number, angle: number) => { radial: number; hoop: number; shear: number }

interface Sparse {
  rows: Array<Map<number, number>>
}

/** Smallest eigenvalues of K w = lambda M w on the unit disc with a fixed rim, for stress given in polar parts. */
export function filmEigenvalues(stress: StressAt, rings: number, count: number): number[] {
  const { points, triangles } = discMesh(rings)
  const inner = points.map(({ x, y }) => Math.hypot(x, y) < 1 - 1e-9)
  const place = new Map<number, number>()
  inner.forEach((is, i) => is && place.set(i, place.size))
  const k: Sparse = { rows: Array.from({ length: place.size }, () => new Map()) }
  const m: Sparse = { rows: Array.from({ length: place.size }, () => new Map()) }
  for (const nodes of triangles) {
    const [a, b, c] = nodes.map((node) => points[node])
    const area2 = (b.x - a.x) * (c.y - a.y) - (c.x - a.x) * (b.y - a.y)
    const gx = [b.y - c.y, c.y - a.y, a.y - b.y].map((v) => v / area2)
    const gy = [c.x - b.x, a.x - c.x, b.x - a.x].map((v) => v / area2)
    const x = (a.x + b.x + c.x) / 3
    const y = (a.y + b.y + c.y) / 3
    const r = Math.hypot(x, y)
    const { radial, hoop, shear } = stress(r, Math.atan2(y, x))
    const cos = x / r
    const sin = y / r
    const nxx = radial * cos * cos + hoop * sin * sin - 2 * shear * sin * cos
    const nyy = radial * sin * sin + hoop * cos * cos + 2 * shear * sin * cos
    const nxy = (radial - hoop) * sin * cos + shear * (cos * cos - sin * sin)
    nodes.forEach((p, i) =>
      nodes.forEach((q, j) => {
        const row = place.get(p)
        const column = place.get(q)
        if (row === undefined || column === undefined) return
        const stiff = gx[i] * (nxx * gx[j] + nxy * gy[j]) + gy[i] * (nxy * gx[j] + nyy * gy[j])
        add(k, row, column, (area2 / 2) * stiff)
        add(m, row, column, (area2 / 24) * (i === j ? 2 : 1))
      }),
    )
  }
  return lowest(k, m, count)
}

function add({ rows }: Sparse, i: number, j: number, value: number) {
  rows[i].set(j, (rows[i].get(j) ?? 0) + value)
}

/** Rings of 6, 12, 18, ... points around the middle. */
function discMesh(rings: number) {
  const points = [{ x: 0, y: 0 }]
  const first = (ring: number) => (ring === 0 ? 0 : 1 + 3 * ring * (ring - 1))
  for (let ring = 1; ring <= rings; ring++) {
    for (let i = 0; i < 6 * ring; i++) {
      const t = (2 * Math.PI * i) / (6 * ring)
      points.push({ x: (ring / rings) * Math.cos(t), y: (ring / rings) * Math.sin(t) })
    }
  }
  const at = (ring: number, i: number) => (ring === 0 ? 0 : first(ring) + (i % (6 * ring)))
  const triangles: number[][] = []
  for (let ring = 1; ring <= rings; ring++) {
    for (let side = 0; side < 6; side++) {
      for (let i = 0; i < ring; i++) {
        const outer = side * ring + i
        const inside = side * (ring - 1) + i
        triangles.push([at(ring - 1, inside), at(ring, outer), at(ring, outer + 1)])
        if (i < ring - 1)
          triangles.push([at(ring - 1, inside), at(ring, outer + 1), at(ring - 1, inside + 1)])
      }
    }
  }
  return { points, triangles }
}

function times({ rows }: Sparse, v: Float64Array): Float64Array {
  return Float64Array.from(rows, (row) => {
    let sum = 0
    for (const [j, value] of row) sum += value * v[j]
    return sum
  })
}

const dot = (a: Float64Array, b: Float64Array) => a.reduce((sum, x, i) => sum + x * b[i], 0)

/** Conjugate gradients with the diagonal as preconditioner. */
function solve(a: Sparse, b: Float64Array, start: Float64Array): Float64Array {
  const x = start.slice()
  const diagonal = a.rows.map((row, i) => row.get(i)!)
  const r = times(a, x).map((value, i) => b[i] - value)
  let z = r.map((value, i) => value / diagonal[i])
  const p = z.slice()
  let rz = dot(r, z)
  const enough = 1e-14 * dot(b, b)
  for (let step = 0; step < 2000 && dot(r, r) > enough; step++) {
    const ap = times(a, p)
    const alpha = rz / dot(p, ap)
    for (let i = 0; i < x.length; i++) {
      x[i] += alpha * p[i]
      r[i] -= alpha * ap[i]
    }
    z = r.map((value, i) => value / diagonal[i])
    const next = dot(r, z)
    for (let i = 0; i < p.length; i++) p[i] = z[i] + (next / rz) * p[i]
    rz = next
  }
  return x
}

/** One vector after the other, each kept apart from those found (deflated inverse iteration). */
function lowest(k: Sparse, m: Sparse, count: number): number[] {
  const found: Float64Array[] = []
  const values: number[] = []
  for (let which = 0; which < count; which++) {
    let v: Float64Array = Float64Array.from(
      k.rows,
      (_, i) => Math.sin(1.7 * (i + 1) * (which + 1)) + 0.01 * i,
    )
    let value = 0
    for (let round = 0; round < 200; round++) {
      for (const known of found) {
        const part = dot(v, times(m, known))
        v = v.map((x, i) => x - part * known[i])
      }
      const mv = times(m, v)
      const size = Math.sqrt(dot(v, mv))
      v = v.map((x) => x / size)
      const before = value
      value = dot(v, times(k, v))
      if (Math.abs(value - before) < 1e-8 * value) break
      v = solve(
        k,
        times(m, v),
        v.map((x) => x / value),
      )
    }
    found.push(v)
    values.push(value)
  }
  return values
}
