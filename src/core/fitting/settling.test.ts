import { afterPressing, practiceHead, type PracticeDrum, type Rods } from '../practice/drum'
import { lugTruth } from '../practice/model'
import { centsBetween } from '../units/pitch'
import { settlingOf, type Fall } from './settling'

/** What each press takes off a fresh practice head, in cents. */
function falls(seed: string, presses: number): Fall[] {
  const drum: PracticeDrum = {
    ...{ seedText: seed, diameterInches: 12, depthInches: 8, lugs: 6, hoop: 'triple-flanged' },
    ...{ threadPitchMm: 1.058, pliesMils: [7, 7], otherPliesMils: [10] },
  }
  const hz = (rods: Rods) => lugTruth(practiceHead(drum, rods, { lugHz: 180, muted: true })).meanHz
  let rods: Rods = { evenHz: 180, rods: new Array<number>(6).fill(0), presses: 0 }
  return Array.from({ length: presses }, (_, i) => {
    const pressed = afterPressing(rods)
    const cents = centsBetween(hz(pressed), hz(rods))
    rods = pressed
    return { press: i + 1, cents }
  })
}

test('before any press the first ones are expected to take ten to thirty cents', () => {
  const { lastFellCents, settled, pressesLeftCents } = settlingOf([], 0)
  expect([lastFellCents, settled]).toEqual([null, false])
  expect(pressesLeftCents.mean - pressesLeftCents.error).toBeGreaterThan(5)
  expect(pressesLeftCents.mean + pressesLeftCents.error).toBeLessThan(40)
})

test('practice heads: after the first press is read, what is left is foretold within its error', () => {
  let within = 0
  const seeds = ['a', 'b', 'c', 'd', 'e', 'f', 'g', 'h', 'i', 'j']
  for (const seed of seeds) {
    const taken = falls(seed, 6)
    for (let i = 1; i < taken.length; i++) expect(taken[i].cents).toBeLessThan(taken[i - 1].cents + 0.5)
    const rest = taken.slice(1).reduce((sum, { cents }) => sum + cents, 0)
    const { pressesLeftCents } = settlingOf(taken.slice(0, 1), 1)
    if (Math.abs(rest - pressesLeftCents.mean) < 2 * pressesLeftCents.error + 1) within++
    expect(settlingOf(taken, 6).settled).toBe(true)
  }
  expect(within).toBeGreaterThanOrEqual(8)
})

test('presses that nobody read leave less to come', () => {
  const left = (presses: number) => settlingOf([], presses).pressesLeftCents.mean
  expect(left(3)).toBeLessThan(left(1))
  expect(left(1)).toBeLessThan(left(0))
  expect(settlingOf([{ press: 2, cents: -1 }], 2)).toMatchObject({ settled: true, lastFellCents: -1 })
})
