/**
 * Bessel functions of the first kind of whole order, and the zeros of J_m and J_m'.
 *
 * J_m(x) = (1/pi) * integral over [0, pi] of cos(m t - x sin t) dt (Abramowitz & Stegun 9.1.21; DLMF 10.9.2).
 * The integrand is periodic and smooth, so the trapezoid rule converges geometrically: n points leave an error of the
 * size of J_{2n - m}(x), which is below rounding once 2n - m is past |x| by its turning region of some |x|^(1/3).
 */
const SPARE_POINTS = 12

/** sin t at the middles of n equal parts of [0, pi]. */
const sines: Float64Array[] = []

/** J_m(x), whole m >= 0, |x| <= 60; absolute error below 1e-14. */
export function besselJ(m: number, x: number): number {
  const points = Math.ceil((m + Math.abs(x)) / 2 + 3 * Math.cbrt(Math.abs(x))) + SPARE_POINTS
  const sine = (sines[points] ??= Float64Array.from({ length: points }, (_, i) =>
    Math.sin((Math.PI * (i + 0.5)) / points),
  ))
  let sum = 0
  for (let i = 0; i < points; i++) sum += Math.cos((m * Math.PI * (i + 0.5)) / points - x * sine[i])
  return sum / points
}

/** Derivative J_m'(x) (DLMF 10.6.1): (J_{m-1} - J_{m+1}) / 2, and -J_1 for m = 0. */
export function besselJPrime(m: number, x: number): number {
  return m === 0 ? -besselJ(1, x) : (besselJ(m - 1, x) - besselJ(m + 1, x)) / 2
}

function bisect(f: (x: number) => number, low: number, high: number): number {
  let a = low
  let b = high
  const signA = Math.sign(f(a))
  for (let i = 0; i < 60; i++) {
    const middle = (a + b) / 2
    if (Math.sign(f(middle)) === signA) a = middle
    else b = middle
  }
  return (a + b) / 2
}

function zerosOf(f: (x: number) => number, from: number, count: number): number[] {
  const zeros: number[] = []
  // Neighbouring zeros of either function are more than 2.4 apart, so a step of 0.3 cannot jump over two.
  const step = 0.3
  for (let x = from; zeros.length < count; x += step) {
    if (Math.sign(f(x)) !== Math.sign(f(x + step))) zeros.push(bisect(f, x, x + step))
  }
  return zeros
}

/** Zeros by what they are of: every pitch that becomes a tension asks for some, and always for the same. */
const found = new Map<string, readonly number[]>()

function foundOnce(name: string, make: () => number[]): readonly number[] {
  let zeros = found.get(name)
  if (!zeros) found.set(name, (zeros = make()))
  return zeros
}

/** The first `count` positive zeros of J_m: j_m1, j_m2, ... */
export function besselZeros(m: number, count: number): readonly number[] {
  return foundOnce(`J ${m} ${count}`, () => zerosOf((x) => besselJ(m, x), 0.5, count))
}

/**
 * The first `count` zeros of J_m', with 0 as the first for m = 0 (the plane wave), as in the tables of
 * Abramowitz & Stegun 9.5.
 */
export function besselPrimeZeros(m: number, count: number): readonly number[] {
  const zeros = (most: number) => zerosOf((x) => besselJPrime(m, x), 0.5, most)
  return foundOnce(`J' ${m} ${count}`, () => (m === 0 ? [0, ...zeros(count - 1)] : zeros(count)))
}
