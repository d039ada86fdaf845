import { natureOf } from './nature'
import { standLossPerSecond } from './stand'
import { playTap } from './tap'
import type { PracticeHead } from './model'

const drum = (resonantHz: number): PracticeHead => ({
  ...{ diameterInches: 12, depthInches: 8, lugs: 6, hoop: 'triple-flanged', threadPitchMm: 1.058 },
  ...{ pliesMils: [10], evenHz: 180, rods: new Array<number>(6).fill(0) },
  nature: natureOf({ hoop: 'triple-flanged', lugs: 6, diameterInches: 12 }, 5),
  other: { pliesMils: [10], lugHz: resonantHz, muted: false },
})
const ring = (head: PracticeHead, lossPerSecond = 0) => {
  const { modes } = playTap(head, {
    ...{ lug: 'centre', rateHz: 8000, seed: 1, noiseDb: null, finger: false, lossPerSecond },
  })
  return modes.filter(({ m, n }) => m === 0 && n === 1).reduce((a, b) => (b.hz < a.hz ? b : a)).decaySeconds
}

test('the practice drum rings longest with both heads alike, and shorter the further they are apart', () => {
  const rings = [180, 215, 270].map((hz) => ring(drum(hz)))
  expect(rings).toEqual([...rings].sort((a, b) => b - a))
  expect(ring(drum(215), 4)).toBeLessThan(ring(drum(215)))
})

test('muffling adds up and a stand takes its part; held and bare a drum loses nothing', () => {
  expect(standLossPerSecond('d', [], null)).toBe(0)
  const one = standLossPerSecond('d', ['padOne'], null)
  const two = standLossPerSecond('d', ['padOne', 'ring'], null)
  expect(one).toBeGreaterThan(0)
  expect(two).toBeGreaterThan(one)
  // The same place is the same place, however it is spelled; another drum has its own.
  expect(standLossPerSecond('d', [], 'Post')).toBe(standLossPerSecond('d', [], ' post '))
  expect(standLossPerSecond('e', [], 'post')).not.toBe(standLossPerSecond('d', [], 'post'))
  expect(standLossPerSecond('d', [], 'post', { mountLossPerSecond: 3 })).toBeCloseTo(
    standLossPerSecond('d', [], 'post') + 3,
    9,
  )
})
