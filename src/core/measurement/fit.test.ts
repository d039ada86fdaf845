import { seededRandom } from '../numeric/random'
import { chooseLugMode, weightedHz } from './choose'
import { evaluate } from './model'
import { findOnsets } from './onsets'
import { refineModes } from './refine'
import { subspacePoles } from './subspace'
import { cutTail } from './tail'

const mode = (hz: number, levelDb: number, decaySeconds = 0.2) => ({
  ...{ hz, levelDb, decaySeconds, standardErrorHz: 0.1 },
})

const RATE_HZ = 2000

interface Partial {
  hz: number
  decaySeconds: number
  amplitude: number
  phase: number
}

function tail(partials: Partial[], noise: number, seed: number, count = 800): Float64Array {
  const random = seededRandom(seed)
  return Float64Array.from({ length: count }, (_, i) => {
    const t = i / RATE_HZ
    return partials.reduce(
      (sum, p) =>
        sum + p.amplitude * Math.exp(-t / p.decaySeconds) * Math.cos(2 * Math.PI * p.hz * t + p.phase),
      noise * random.normal(),
    )
  })
}

const ONE: Partial = { hz: 231.4, decaySeconds: 0.2, amplitude: 1, phase: 0.4 }

test('the subspace finds the poles of three modes without noise', () => {
  const modes = [ONE, { ...ONE, hz: 330, decaySeconds: 0.12 }, { ...ONE, hz: 95.2, amplitude: 0.3 }]
  const poles = subspacePoles(tail(modes, 0, 1), RATE_HZ, 1e-12)
  for (const mode of modes) {
    const near = poles.reduce((a, b) => (Math.abs(b.hz - mode.hz) < Math.abs(a.hz - mode.hz) ? b : a))
    expect(near.hz).toBeCloseTo(mode.hz, 3)
    expect(near.decaySeconds).toBeCloseTo(mode.decaySeconds, 3)
  }
  expect(subspacePoles(tail([], 1, 2), RATE_HZ, 1)).toEqual([])
})

/** Derivatives against differences of the slow, obvious kind. */
test('slope and curvature of the model', () => {
  const samples = tail([ONE], 0.01, 3, 200)
  const problem = { samples, rateHz: RATE_HZ, glidePrior: { seconds: 0.08, sd: 0.02, noisePower: 1e-4 } }
  const theta = Float64Array.of(231, 5.2, 0.8, -0.3, 0.004, 0.1)
  const { gradient } = evaluate(problem, theta, 'curvature')
  theta.forEach((value, i) => {
    const h = 1e-6 * Math.max(1, Math.abs(value))
    const at = (shift: number) =>
      evaluate(
        problem,
        theta.map((v, j) => (j === i ? v + shift : v)),
        'cost',
      ).cost
    const slope = (at(h) - at(-h)) / (2 * h)
    // The gradient points downhill and is half the slope.
    expect(Math.abs(-2 * gradient![i] - slope)).toBeLessThan(2e-4 * Math.max(1, Math.abs(slope)))
  })
})

/**
 * Cramer-Rao bound of a damped sinusoid from its Fisher matrix (Kay, *Fundamentals of Statistical Signal Processing*,
 * chapter 3), by differences here and by the fit's own covariance there: the fit must reach it.
 */
test('the error of a clean tail is the Cramer-Rao bound', () => {
  const noise = 0.01
  const clean = (p: number[]) =>
    tail(
      [
        {
          hz: p[0],
          decaySeconds: 1 / p[1],
          amplitude: Math.hypot(p[2], p[3]),
          phase: Math.atan2(-p[3], p[2]),
        },
      ],
      0,
      1,
    )
  const truth = [
    ONE.hz,
    1 / ONE.decaySeconds,
    ONE.amplitude * Math.cos(ONE.phase),
    -ONE.amplitude * Math.sin(ONE.phase),
  ]
  const slopes = truth.map((_, i) => {
    const h = 1e-5
    const up = clean(truth.map((v, j) => (j === i ? v + h : v)))
    const down = clean(truth.map((v, j) => (j === i ? v - h : v)))
    return up.map((x, k) => (x - down[k]) / (2 * h * noise))
  })
  const fisher = slopes.map((a) => slopes.map((b) => a.reduce((sum, x, k) => sum + x * b[k], 0)))
  const bound = Math.sqrt(invertFirst(fisher))
  const errors = Array.from({ length: 120 }, (_, seed) => {
    const fit = refineModes(
      tail([ONE], noise, seed + 1),
      RATE_HZ,
      [{ hz: 231, decaySeconds: 0.25 }],
      noise ** 2,
      null,
    )
    return fit.modes[0].hz - ONE.hz
  })
  const rms = Math.sqrt(errors.reduce((sum, e) => sum + e * e, 0) / errors.length)
  expect(rms / bound).toBeGreaterThan(0.8)
  expect(rms / bound).toBeLessThan(1.25)
})

/** The first diagonal entry of an inverse, by elimination. */
function invertFirst(matrix: number[][]): number {
  const n = matrix.length
  const rows = matrix.map((row, i) => [...row, ...row.map((_, j) => (i === j ? 1 : 0))])
  for (let i = 0; i < n; i++) {
    const pivot = rows[i][i]
    rows[i] = rows[i].map((v) => v / pivot)
    for (let k = 0; k < n; k++) {
      if (k === i) continue
      const factor = rows[k][i]
      rows[k] = rows[k].map((v, j) => v - factor * rows[i][j])
    }
  }
  return rows[0][n]
}

test('a common glide is fitted, and the settled pitches are right', () => {
  const glide = 0.01
  const seconds = 0.1
  const samples = Float64Array.from({ length: 900 }, (_, i) => {
    const t = i / RATE_HZ
    const bent = t + glide * seconds * (1 - Math.exp(-t / seconds))
    return (
      Math.exp(-t / 0.2) * (Math.cos(2 * Math.PI * 230 * bent) + 0.5 * Math.cos(2 * Math.PI * 331 * bent))
    )
  })
  const fit = refineModes(
    samples,
    RATE_HZ,
    [
      { hz: 231, decaySeconds: 0.2 },
      { hz: 333, decaySeconds: 0.2 },
    ],
    1e-8,
    { relative: 0, seconds: 0.09 },
    { iterations: 40 },
  )
  expect(fit.modes[0].hz).toBeCloseTo(230, 2)
  expect(fit.modes[1].hz).toBeCloseTo(331, 2)
  expect(fit.glide.relative).toBeCloseTo(glide, 3)
})

test('strokes are found where they are, and beats are none', () => {
  const rate = 48_000
  const random = seededRandom(3)
  const sound = Float32Array.from({ length: 2 * rate }, () => 1e-4 * random.normal())
  const strokes = [0.4, 0.9, 1.5].map((at) => Math.round(at * rate))
  for (const start of strokes) {
    for (let i = start; i < sound.length; i++) {
      const t = (i - start) / rate
      const beat = Math.cos(2 * Math.PI * 3 * t)
      sound[i] +=
        Math.exp(-t / 0.1) * beat * Math.sin(2 * Math.PI * 200 * t) +
        (t < 0.01 ? 0.3 * random.normal() * Math.exp(-t / 0.002) : 0)
    }
  }
  const found = findOnsets(sound, rate).map((onset) => onset.sample)
  expect(found.length).toBe(3)
  found.forEach((sample, i) => expect(Math.abs(sample - strokes[i])).toBeLessThan(0.002 * rate))
})

test('the tail ends where the noise begins, and too short a one is none', () => {
  const rate = 48_000
  const random = seededRandom(5)
  const sound = Float32Array.from({ length: rate }, (_, i) => {
    const t = i / rate - 0.4
    return 0.01 * random.normal() + (t >= 0 ? Math.exp(-t / 0.05) * Math.sin(2 * Math.PI * 220 * t) : 0)
  })
  const cut = cutTail(sound, rate, 0.4 * rate, rate)!
  const seconds = cut.samples.length / cut.rateHz
  expect(seconds).toBeGreaterThan(0.15)
  expect(seconds).toBeLessThan(0.4)
  expect(cut.snrDb).toBeGreaterThan(25)
  expect(cutTail(sound, rate, 0.4 * rate, 0.43 * rate)).toBeNull()
})

test('the mean of poles is weighted by amplitude, and odds add up to one', () => {
  expect(weightedHz([mode(200, 0), mode(203, -6.0206)])).toBeCloseTo(201, 3)
  const candidates = chooseLugMode([mode(200, 0), mode(203, -6), mode(284, -4), mode(360, -3)], {
    diameterInches: 12,
  })
  expect(candidates[0].poles.length).toBe(2)
  expect(candidates.reduce((sum, each) => sum + each.odds, 0)).toBeCloseTo(1, 9)
  expect(chooseLugMode([mode(200, 0)], { bandHz: [300, 400] })).toEqual([])
})

test('a low head that moves much air is told by its own lowest tone, although a higher one lies nearer what its size leads to expect', () => {
  // Tones near 3 : 4 : 5 : 6 as such heads have them (common practice, no source), the second a hair under four thirds.
  const tones = [
    mode(46.91, 0, 0.479),
    mode(62.27, -3.4, 0.276),
    mode(78.68, -4.4, 0.22),
    mode(94.57, -5, 0.224),
    mode(84.94, -5.4, 0.257),
    mode(106.42, -10.4, 0.215),
    mode(124.24, -12, 0.196),
  ]
  expect(chooseLugMode(tones, { diameterInches: 18 })[0].hz).toBe(46.91)
})
