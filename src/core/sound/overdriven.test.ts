import { lastRailed } from './overdriven'

const RATE_HZ = 48_000
const tone = (hz: number, gain: number, rail = 1) =>
  Float32Array.from({ length: 4800 }, (_, i) => {
    const x = gain * Math.sin((2 * Math.PI * hz * (i + 0.37)) / RATE_HZ)
    return Math.max(-rail, Math.min(rail, x))
  })

test('the round crest of a low tone is no rail, however many samples it takes', () => {
  for (const hz of [30, 50, 69, 120, 400]) expect(lastRailed(tone(hz, 0.9))).toBeNull()
})

test('an overdriven tone is at the rail, also turned down afterwards, to its last cycle', () => {
  for (const hz of [50, 69, 180, 400])
    for (const rail of [1, 0.5]) {
      const at = lastRailed(tone(hz, 2 * rail, rail))
      expect(at).toBeGreaterThan(4800 - RATE_HZ / hz)
    }
})

test('a lone full sample, quiet sound and silence are not; a stretch is looked at by itself', () => {
  const lone = tone(200, 0.5)
  lone[100] = 1
  expect(lastRailed(lone)).toBeNull()
  expect(lastRailed(tone(200, 0.4, 0.2))).toBeNull()
  expect(lastRailed(new Float32Array(100))).toBeNull()
  const both = Float32Array.from([...tone(200, 2), ...tone(200, 0.8)])
  expect(lastRailed(both)).toBeLessThan(4800)
  expect(lastRailed(both, 4800)).toBeNull()
})
