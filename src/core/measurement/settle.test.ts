import { seededRandom } from '../numeric/random'
import { GLIDE_SD } from './model'
import { refineModes } from './refine'
import { settle } from './settle'

const RATE_HZ = 2000

function fitted(glide: number, noise: number, seed: number) {
  const random = seededRandom(seed)
  const samples = Float64Array.from({ length: 1200 }, (_, i) => {
    const t = i / RATE_HZ
    const bent = t + glide * 0.1 * (1 - Math.exp(-t / 0.1))
    return Math.exp(-t / 0.2) * Math.sin(2 * Math.PI * 231 * bent) + noise * random.normal()
  })
  const fit = refineModes(samples, RATE_HZ, [{ hz: 231.5, decaySeconds: 0.2 }], noise ** 2, {
    ...{ relative: 0, seconds: 0.1 },
  })
  return { fit, settled: settle(fit, noise ** 2, GLIDE_SD) }
}

test('without a glide the average keeps what the tail knows; with one it keeps the glide', () => {
  const plain = Array.from({ length: 30 }, (_, i) => fitted(0, 0.02, i + 1))
  const rms = (values: number[]) => Math.sqrt(values.reduce((sum, v) => sum + v * v, 0) / values.length)
  const averaged = rms(plain.map(({ settled }) => settled.theta[0] - 231))
  const free = rms(plain.map(({ fit }) => fit.modes[0].hz - 231))
  expect(averaged).toBeLessThan(0.7 * free)
  const bent = fitted(0.02, 0.005, 3)
  expect(bent.settled.glideOdds).toBeGreaterThan(0.99)
  expect(Math.abs(bent.settled.theta[0] - 231)).toBeLessThan(0.1)
})

test('the error of the average covers the truth about as often as it says', () => {
  const covered = [0, 0.002, 0.01].flatMap((glide) =>
    Array.from({ length: 30 }, (_, i) => {
      const { settled } = fitted(glide, 0.02, 100 + i)
      const error = settled.errorOf((gradient) => (gradient[0] = 1), 0.02 ** 2, 231)
      return Math.abs(settled.theta[0] - 231) < 1.96 * error
    }),
  )
  const part = covered.filter(Boolean).length / covered.length
  expect(part).toBeGreaterThan(0.85)
})
