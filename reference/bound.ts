import { inverse, Matrix } from 'ml-matrix'
import type { Take, TruePartial } from './takes'

/**
 * Cramer-Rao bound of a take's reading from the numeric Fisher matrix of its very modes (Kay, *Fundamentals of
 * Statistical Signal Processing: Estimation Theory*, chapter 3; Yao & Pandit, "Cramer-Rao lower bound for a damped
 * sinusoidal process", IEEE Trans. SP 43 (1995) 878-885). Frequency, damping, cosine and sine part of every pole are
 * unknown, and the glide where there is one; the noise is white within 2 kHz.
 * @returns standard deviation of the amplitude-weighted mean of the (1,1) poles, in cents
 */
export function boundCents(take: Take): number {
  const rateHz = 4000
  const all = [...take.poles, ...take.others].filter((pole) => pole.amplitude !== 0)
  const count = Math.round((take.samples.length / take.rateHz - take.strokeSeconds) * rateHz)
  const { relative, seconds } = take.glide
  const wave = (p: number[], glide: number, glideSeconds: number) =>
    Float64Array.from({ length: count }, (_, i) => {
      const t = i / rateHz
      const phase = 2 * Math.PI * p[0] * (t + glide * glideSeconds * (1 - Math.exp(-t / glideSeconds)))
      return Math.exp(-t * p[1]) * (p[2] * Math.sin(phase) + p[3] * Math.cos(phase))
    })
  const columns: Float64Array[] = []
  const parameters = all.map(({ hz, decaySeconds, amplitude }) => [hz, 1 / decaySeconds, amplitude, 0])
  const difference = (up: Float64Array, down: Float64Array, h: number) =>
    up.map((x, i) => (x - down[i]) / (2 * h))
  for (const p of parameters) {
    p.forEach((_, j) => {
      const h = 1e-4 * (j < 2 ? 1 : Math.abs(p[2]))
      const moved = (by: number) =>
        wave(
          p.map((v, k) => (k === j ? v + by : v)),
          relative,
          seconds,
        )
      columns.push(difference(moved(h), moved(-h), h))
    })
  }
  if (relative > 0) {
    const all2 = (glide: number, time: number) =>
      parameters.map((p) => wave(p, glide, time)).reduce((sum, x) => sum.map((v, i) => v + x[i]))
    columns.push(difference(all2(relative + 1e-5, seconds), all2(relative - 1e-5, seconds), 1e-5))
    columns.push(difference(all2(relative, seconds * 1.001), all2(relative, seconds * 0.999), 0.001))
  }
  const scales = columns.map((column) => Math.sqrt(column.reduce((sum, x) => sum + x * x, 0)))
  const fisher = new Matrix(columns.map((a, i) => columns.map((b, j) => dot(a, b) / scales[i] / scales[j])))
  const covariance = inverse(fisher, true)
  const gradient = readingGradient(take.poles, columns.length).map((g, i) => g / scales[i])
  let variance = 0
  gradient.forEach((a, i) => gradient.forEach((b, j) => (variance += a * b * covariance.get(i, j))))
  return (1731.23 * Math.sqrt(variance * take.noisePower2k)) / take.readingHz
}

function dot(a: Float64Array, b: Float64Array): number {
  let sum = 0
  for (let i = 0; i < a.length; i++) sum += a[i] * b[i]
  return sum
}

function readingGradient(poles: readonly TruePartial[], length: number): number[] {
  const gradient = new Array<number>(length).fill(0)
  const total = poles.reduce((sum, pole) => sum + Math.abs(pole.amplitude), 0)
  const mean = poles.reduce((sum, pole) => sum + Math.abs(pole.amplitude) * pole.hz, 0) / total
  poles.forEach((pole, k) => {
    gradient[4 * k] = Math.abs(pole.amplitude) / total
    gradient[4 * k + 2] = (Math.sign(pole.amplitude) * (pole.hz - mean)) / total
  })
  return gradient
}
