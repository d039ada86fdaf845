import fc from 'fast-check'
import { dialAt, gaugeSeen, learnGaugeLaw, pitchOf, tensionAtDial, tensionOf } from './gauge'
import { hoopPart, rodFelt, rodPulls, rodsAsFound, rodsSeen, rodsTurned, roughAsSeen } from './rods'
import type { EvenHead } from './types'

const HEAD: EvenHead = {
  ...{ side: 'batter', diameterInches: 14, lugs: 8, hoop: 'triple-flanged', threadPitchMm: 1.058 },
  pliesMils: [10],
}
const none = () => new Array<number>(8).fill(0)

test('turns of a rod are believed, with the hand’s error and no more', () => {
  const before = rodPulls(rodsAsFound(8, 'unknown'))
  const after = rodPulls(rodsTurned(rodsAsFound(8, 'unknown'), [0.25, 0, 0, 0, -0.25, 0, 0, 0]))
  expect(after[0].turns).toBeCloseTo(0.25, 9)
  expect(after[4].turns).toBeCloseTo(-0.25, 9)
  expect(after[0].error).toBeGreaterThan(before[0].error)
  expect(after[0].error).toBeLessThan(before[0].error + 1 / 64)
})

/** Common practice, no source: pitch names the pair, only the hand tells which of the two rods is loose. */
test('pitch leaves the two rods of a pair alike; the hand tells them apart', () => {
  const rough = roughAsSeen(rodsAsFound(8, 'unknown'), 0.08)
  const low = rodsSeen(rough, { turns: -0.08, sd: 0.005 }, { turns: 0, sd: 0.005 })
  const seen = rodPulls(low)
  expect(seen[0].turns).toBeCloseTo(seen[4].turns, 9)
  expect(seen[0].turns).toBeLessThan(seen[2].turns)
  const felt = rodPulls(rodFelt(low, 4, 'loose'))
  expect(felt[4].turns).toBeLessThan(felt[0].turns - 0.05)
  expect(felt[4].error).toBeLessThan(seen[4].error)
  const alike = rodPulls(rodFelt(low, 4, 'alike'))
  expect(alike[4].turns).toBeGreaterThan(felt[4].turns)
})

test('a second pattern beyond what hands leave in rods is shared with the hoop', () => {
  const small = rodsSeen(rodsAsFound(8, 'unknown'), { turns: 0.03, sd: 0.002 }, { turns: 0, sd: 0.002 })
  const large = rodsSeen(rodsAsFound(8, 'unknown'), { turns: 0.5, sd: 0.002 }, { turns: 0, sd: 0.002 })
  expect(hoopPart(large).turns).toBeGreaterThan(8 * hoopPart(small).turns)
})

test('two readings of any dial beside known pitches calibrate it, and gauge and pitch then tell each other', () => {
  fc.assert(
    fc.property(
      fc.double({ min: 50, max: 200, noNaN: true }),
      fc.double({ min: 20_000, max: 120_000, noNaN: true }),
      fc.double({ min: 160, max: 300, noNaN: true }),
      (g0, c, hz) => {
        const dial = (pitch: number) => dialAt({ g0, c }, tensionOf(HEAD, pitch))
        const seen = [hz, 1.12 * hz].map((pitch) => ({ dial: dial(pitch), tension: tensionOf(HEAD, pitch) }))
        const law = learnGaugeLaw(seen)!
        expect(law.g0 / g0).toBeCloseTo(1, 6)
        expect(law.c / c).toBeCloseTo(1, 6)
        expect(pitchOf(HEAD, tensionAtDial(law, dial(1.05 * hz))) / (1.05 * hz)).toBeCloseTo(1, 6)
      },
    ),
    { numRuns: 25 },
  )
  expect(learnGaugeLaw([{ dial: 60, tension: 2000 }])).toBeNull()
  expect(
    learnGaugeLaw([
      { dial: 60, tension: 2000 },
      { dial: 60.5, tension: 2010 },
    ]),
  ).toBeNull()
})

test('the gauge tells tight rods from slack ones in patterns that pitch does not show', () => {
  const dials = none().map((_, lug) => 60 + 4 * Math.cos((2 * Math.PI * lug) / 8))
  const pulls = rodPulls(gaugeSeen(rodsAsFound(8, 'unknown'), dials, { g0: 100, c: 62_000 }, 0.5, 1.5))
  expect(pulls[0].turns).toBeGreaterThan(0.05)
  expect(pulls[4].turns).toBeLessThan(-0.05)
  expect(Math.abs(pulls[2].turns)).toBeLessThan(0.02)
  const few = gaugeSeen(rodsAsFound(8, 'unknown'), [60, null, 61, null, null, null, null, null], null, 1, 1.5)
  expect(few.u).toEqual(rodsAsFound(8, 'unknown').u)
})
