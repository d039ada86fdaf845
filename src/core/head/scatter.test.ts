import fc from 'fast-check'
import { even } from '../evening/even'
import { seededRandom } from '../numeric/random'
import { handBefore, SCATTER_WEIGHTS, scatterExpected } from './scatter'
import type { ScatterTold } from '../records/settings'

const told = (at: string, logs: ScatterTold['logs']): ScatterTold => ({ source: 'number', at, logs })

it('a hand is known by the sittings before, by its own source, and never for certain', () => {
  const loose = told('2026-11-01T10:00:00Z', [-8, -4, 0])
  expect(handBefore([loose], 'dial', null)).toBeUndefined()
  expect(handBefore([loose], 'number', '2026-11-01T10:00:00Z')).toBeUndefined()
  const after = handBefore([loose, loose, loose], 'number', null)!
  expect(scatterExpected('number', after)).toBeGreaterThan(4)
  expect(Math.min(...after)).toBeGreaterThan(0.02)
  // Bayes by hand for one sitting that tells little: priors times likelihoods, over their sum.
  const [a, b, c] = SCATTER_WEIGHTS.map((weight, i) => weight * Math.exp([-1, 0, -0.5][i]))
  const one = handBefore([told('2026-11-02T10:00:00Z', [-1, 0, -0.5])], 'number', null)!
  expect(one[1]).toBeCloseTo(b / (a + b + c), 10)
})

it('weights stay weights, whatever sittings told', () => {
  const log = fc.double({ min: -30, max: 0, noNaN: true })
  fc.assert(
    fc.property(fc.array(fc.tuple(log, log, log), { minLength: 1, maxLength: 24 }), (all) => {
      const weights = handBefore(
        all.map((logs) => told('2026-11-01T10:00:00Z', logs)),
        'number',
        null,
      )!
      expect(weights.reduce((sum, weight) => sum + weight, 0)).toBeCloseTo(1, 10)
      expect(Math.min(...weights)).toBeGreaterThan(0)
    }),
  )
})

const HEAD = {
  side: 'batter' as const,
  ...{ diameterInches: 12, lugs: 6, hoop: 'triple-flanged' as const, threadPitchMm: 0.79, pliesMils: [10] },
}

it('a sitting of scattering numbers tells of a loose hand, and the next sitting begins with that', () => {
  const random = seededRandom(4)
  const round = (cents = 10) => ({
    readingErrorCents: 2,
    readingsHz: Array.from({ length: 6 }, () => 150 * 2 ** ((cents * random.normal()) / 1200)),
  })
  const still = { turns: new Array<number>(6).fill(0) }
  const rounds = [{ ...round(), ...still }, { ...round(), ...still }, { ...round(), ...still }, round()]
  const first = even({ head: HEAD, target: { level: true }, rounds })
  const { logs, source } = first.scatterTold!
  expect(source).toBe('number')
  expect(logs[2]).toBeGreaterThan(logs[0])
  const hand = { number: handBefore([told('2026-11-01T10:00:00Z', logs)], 'number', null)! }
  const two = { head: HEAD, target: { level: true as const }, rounds: [{ ...round(3), ...still }, round(3)] }
  const [next, without] = [even({ ...two, hand }), even(two)]
  expect(next.readingScatterCents!).toBeGreaterThan(without.readingScatterCents!)
  // What it is told of before is taken out of what it tells: nothing is counted twice.
  next.scatterTold!.logs.forEach((log, i) => {
    // ... but for what a carried picture forgets of unlikely ones.
    expect(Math.abs(log - without.scatterTold!.logs[i])).toBeLessThan(2)
  })
})
