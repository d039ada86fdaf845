import { usualDepthInches } from './sizes'
import { turnsPastWrinkles, usualLugHz, usualTurns } from './usual'

test('a larger kick wants relatively more: half to three quarters of a turn on a 22, a turn on a 24 (common practice, no source)', () => {
  const turns = [14, 16, 18, 20, 22, 24, 26, 28].map(turnsPastWrinkles)
  expect(turns).toEqual([...turns].sort((a, b) => a - b))
  expect(turnsPastWrinkles(22)).toBeGreaterThanOrEqual(0.5)
  expect(turnsPastWrinkles(22)).toBeLessThanOrEqual(0.75)
  expect(turnsPastWrinkles(24)).toBeCloseTo(1, 9)
  expect(turnsPastWrinkles(21)).toBeCloseTo((turnsPastWrinkles(20) + turnsPastWrinkles(22)) / 2, 9)
  expect(turnsPastWrinkles(8)).toBeGreaterThan(0.2)
})

test('usual turns above slack: toms 0.4 to 1.5, floor toms less, snares more (common practice, no source)', () => {
  expect(usualTurns({ kind: 'tom', diameterInches: 12 })).toEqual({
    lowest: 0.4,
    favourite: 0.8,
    highest: 1.5,
  })
  const floor = usualTurns({ kind: 'floor-tom', diameterInches: 16 })
  const snare = usualTurns({ kind: 'snare', diameterInches: 14 })
  expect(floor.favourite).toBeLessThan(0.8)
  expect(snare.favourite).toBeGreaterThan(1.5)
  for (const { lowest, favourite, highest } of [
    floor,
    snare,
    usualTurns({ kind: 'kick', diameterInches: 22 }),
  ]) {
    expect(lowest).toBeLessThan(favourite)
    expect(favourite).toBeLessThan(highest)
  }
})

test('usual pitches: a snare near 260 over 400 Hz, a 22 kick between 65 and 85 (common practice, no source)', () => {
  const snare = { kind: 'snare' as const, diameterInches: 14 }
  expect(usualLugHz(snare, 'batter')).toBeGreaterThan(245)
  expect(usualLugHz(snare, 'batter')).toBeLessThan(275)
  expect(usualLugHz(snare, 'resonant') / usualLugHz(snare, 'batter')).toBeCloseTo(400 / 262, 1)
  const kick = { kind: 'kick' as const, diameterInches: 22, batterMils: [7, 7] }
  expect(usualLugHz(kick, 'batter')).toBeGreaterThan(65)
  expect(usualLugHz(kick, 'batter')).toBeLessThan(85)
  // What the head has shown goes before its size.
  expect(usualLugHz(kick, 'batter', 20_000)).toBeCloseTo(Math.sqrt(0.65 * 20_000), 9)
})

test('usual depths by kind (common practice, no source)', () => {
  expect([
    usualDepthInches('kick', 22),
    usualDepthInches('snare', 14),
    usualDepthInches('floor-tom', 16),
    usualDepthInches('tom', 12),
    usualDepthInches('tom', 8),
  ]).toEqual([16, 5.5, 14, 7, 6])
})
