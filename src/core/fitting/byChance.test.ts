import { times } from '@ref/long'
import { CHANCE_DRUMS, fromSlack } from '../../../bench/chanceHand'

test('from slack to even with extra turns, skipped rods and half steps: each head ends even, in not many more moves', () => {
  for (const drum of CHANCE_DRUMS.slice(0, times(1, CHANCE_DRUMS.length))) {
    const seeds = [1, 2, 3, 4].slice(0, times(3, 4))
    const usual = seeds.map((seed) => fromSlack(drum, seed, false))
    const byChance = seeds.map((seed) => fromSlack(drum, seed, true))
    for (const { spread, off } of [...usual, ...byChance]) {
      expect(spread).toBeLessThan(20)
      expect(off).toBeLessThan(18)
    }
    const spreads = byChance.map(({ spread }) => spread).sort((a, b) => a - b)
    expect(spreads[Math.floor(seeds.length / 4)]).toBeLessThan(9)
    const mean = (runs: typeof usual) => runs.reduce((sum, { moves }) => sum + moves, 0) / runs.length
    expect(mean(byChance)).toBeLessThan(1.5 * mean(usual))
  }
})
