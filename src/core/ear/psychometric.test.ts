import fc from 'fast-check'
import { chanceOfScore, chanceRight } from './psychometric'
import { LIMENS_FROM_HZ, toneLimenCents } from './limens'

test('the threshold is the difference heard rightly in 75% of trials of two answers by a listener without lapses', () => {
  expect(chanceRight(9, { threshold: 9, slope: 2, lapse: 0 }, 1 / 2)).toBeCloseTo(0.75, 6)
  expect(chanceRight(9, { threshold: 9, slope: 2, lapse: 0 }, 1 / 6)).toBeCloseTo(1 / 6 + 5 / 12, 6)
})

test('nobody does worse than guessing, nor better than lapses allow, and a larger difference is never heard less', () => {
  const listener = fc.record({
    threshold: fc.double({ min: 1, max: 100, noNaN: true }),
    slope: fc.double({ min: 0.8, max: 4, noNaN: true }),
    lapse: fc.double({ min: 0, max: 0.1, noNaN: true }),
  })
  const level = fc.double({ min: 0, max: 400, noNaN: true })
  fc.assert(
    fc.property(listener, level, level, fc.constantFrom(1 / 2, 1 / 3, 1 / 6), (who, a, b, guess) => {
      const [low, high] = [Math.min(a, b), Math.max(a, b)].map((each) => chanceRight(each, who, guess))
      expect(low).toBeGreaterThanOrEqual(guess - 1e-9)
      expect(high).toBeLessThanOrEqual(1 - (1 - guess) * who.lapse + 1e-9)
      expect(high).toBeGreaterThanOrEqual(low - 1e-6)
    }),
  )
})

// Binomial tails: by hand from Pascal's triangle, 1, 6, 15, 20, 15, 6, 1 of 64 and 1, 20, 190, 1140, 4845, 15504 of 2^20.
test('what guessing would have scored: five right of six prove little', () => {
  expect(chanceOfScore(5, 6, 1 / 2)).toBeCloseTo(7 / 64, 12)
  expect(chanceOfScore(15, 20, 1 / 2)).toBeCloseTo((1 + 20 + 190 + 1140 + 4845 + 15504) / 2 ** 20, 12)
  expect(chanceOfScore(0, 6, 1 / 6)).toBeCloseTo(1, 12)
  expect(chanceOfScore(6, 6, 1 / 6)).toBeCloseTo(6 ** -6, 12)
})

// Wier, Jesteadt & Green 1977, JASA 61; Moore 1973, JASA 54: near 3 cents at 1 kHz and several times more at 100 Hz (from memory).
test('limens of tones are near 3 cents at 1 kHz, and several times that at 100 Hz', () => {
  expect(toneLimenCents(1000)).toBeGreaterThan(2.5)
  expect(toneLimenCents(1000)).toBeLessThan(4)
  expect(toneLimenCents(100) / toneLimenCents(1000)).toBeGreaterThan(2.5)
  expect(LIMENS_FROM_HZ).toBe(200)
})
