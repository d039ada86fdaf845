import { lugAngle } from './harmonics'

/**
 * All circular harmonics over the lugs of one head, as an orthonormal basis: 0 the mean, 1, 2, ... up to half the lugs, each with its
 * cosine and its sine. The plain discrete Fourier transform of real values.
 */
export interface Circle {
  /** Order of every part: 0, 1, 1, 2, 2, ... */
  order: readonly number[]
  /** Value of every part at every lug: `at[lug][part]`. */
  at: ReadonlyArray<Float64Array>
  orders: number
}

const circles: Circle[] = []

/** The basis for a number of lugs, remembered. */
export function circleOf(lugs: number): Circle {
  return (circles[lugs] ??= build(lugs))
}

function build(lugs: number): Circle {
  const order: number[] = []
  const waves: Array<(angle: number) => number> = []
  for (let k = 0; 2 * k <= lugs; k++) {
    const alone = k === 0 || 2 * k === lugs
    const size = Math.sqrt((alone ? 1 : 2) / lugs)
    order.push(k)
    waves.push((angle) => size * Math.cos(k * angle))
    if (alone) continue
    order.push(k)
    waves.push((angle) => size * Math.sin(k * angle))
  }
  const at = Array.from({ length: lugs }, (_, lug) =>
    Float64Array.from(waves, (wave) => wave(lugAngle(lug, lugs))),
  )
  return { order, at, orders: Math.floor(lugs / 2) + 1 }
}

/** Parts of one value a lug. */
export function partsOver(values: ArrayLike<number>, lugs: number): Float64Array {
  const { at } = circleOf(lugs)
  const parts = new Float64Array(lugs)
  for (let lug = 0; lug < lugs; lug++)
    if (values[lug] !== 0) for (let part = 0; part < lugs; part++) parts[part] += at[lug][part] * values[lug]
  return parts
}

/** The value at every lug of some parts; the inverse of {@link partsOver}. */
export function overLugs(parts: ArrayLike<number>, lugs: number): number[] {
  return circleOf(lugs).at.map((row) => {
    let sum = 0
    for (let part = 0; part < lugs; part++) sum += row[part] * parts[part]
    return sum
  })
}
