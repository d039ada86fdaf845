import { headOdds, MOVED_CENTS, namedHeads, pullOf, type HeadPrior } from './quickCheck'

const head = (side: 'batter' | 'resonant', more: Partial<HeadPrior> = {}): HeadPrior => ({
  ...{ side, offCents: 0, movedCents: 0, sd: 1.5, halfCents: 6 },
  ...more,
})
const both = [head('batter'), head('resonant')]
const seen = (cents: number) => ({ cents, errorCents: 1.5, pull: { batter: 0.5, resonant: 0.5 } })

test('a centre that stands passes the drum; one that fell names both heads, since one number cannot part two', () => {
  expect(namedHeads(headOdds(both, seen(0)))).toEqual([])
  expect(namedHeads(headOdds(both, seen(2)))).toEqual([])
  expect(namedHeads(headOdds(both, seen(-9)))).toEqual(['batter', 'resonant'])
  const [batter, resonant] = headOdds(both, seen(-9))
  expect(batter.moved).toBeCloseTo(resonant.moved, 6)
  expect(batter.offCents).toBeLessThan(-4)
})

test('what is foreseen decides which: an unsure head is named before a sure one', () => {
  const odds = headOdds([head('batter', { sd: 9 }), head('resonant', { sd: 0.5 })], seen(-8))
  expect(namedHeads(odds)).toEqual(['batter'])
})

test('odds are probabilities, and grow with what was read', () => {
  let last = 0
  for (const cents of [0, 3, 6, 9, 15]) {
    const [{ moved, out }] = headOdds(both, seen(cents))
    expect(moved).toBeGreaterThanOrEqual(last)
    expect(out).toBeLessThanOrEqual(1)
    last = moved
  }
  expect(MOVED_CENTS).toBeGreaterThan(5)
})

test('a head that pulls nothing says nothing: an open shell has one head', () => {
  const odds = headOdds([head('batter')], { ...seen(-12), pull: { batter: 1, resonant: 0 } })
  expect(namedHeads(odds)).toEqual(['batter'])
})

test('both heads together move the centre as far as they move', () => {
  const drum = {
    ...{ kind: 'tom' as const, diameterInches: 12, depthInches: 8, lugs: 6, threadPitchMm: 1.06, port: null },
    batter: { pliesMils: [7, 7], hoop: 'triple-flanged' as const },
    resonant: { pliesMils: [10], hoop: 'triple-flanged' as const },
  }
  const { batter, resonant } = pullOf(drum, { batterHz: 160, resonantHz: 200 })
  // The air between them is no head: a little less than all of it.
  expect(batter + resonant).toBeGreaterThan(0.6)
  expect(batter + resonant).toBeLessThanOrEqual(1.02)
})
