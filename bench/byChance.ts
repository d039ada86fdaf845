import { CHANCE_DRUMS, fromSlack } from './chanceHand'
import { median, printTable, quantile } from './stats'

/** From slack to even by a hand of chance (extra turns, skipped rods, half steps) beside a hand that does as it is asked. */
export function benchByChance(): void {
  const rows = CHANCE_DRUMS.map((drum) => {
    const seeds = Array.from({ length: 67 }, (_, i) => i + 1)
    const usual = seeds.map((seed) => fromSlack(drum, seed, false))
    const chance = seeds.map((seed) => fromSlack(drum, seed, true))
    const spread = (runs: typeof usual) => {
      const all = runs.map((run) => run.spread)
      return `${median(all).toFixed(1)} / ${quantile(all, 0.9).toFixed(1)} / ${Math.max(...all).toFixed(1)}`
    }
    const usualMoves = median(usual.map(({ moves }) => moves))
    return [
      `${drum.inches} in, ${drum.lugs} lugs`,
      String(seeds.length),
      spread(usual),
      spread(chance),
      Math.max(...chance.map(({ off }) => off)).toFixed(1),
      String(usualMoves),
      `${median(chance.map(({ moves }) => moves))} / ${Math.max(...chance.map(({ moves }) => moves))}`,
      String(chance.filter(({ moves }) => moves > 1.5 * usualMoves).length),
    ]
  })
  printTable(
    'From slack to even by a hand of chance: spread in cents, median / 90% / worst; rods moved',
    [
      'drum',
      'heads',
      'as asked',
      'by chance',
      'worst off',
      'moves as asked',
      'by chance, median / most',
      'over 1.5 times',
    ],
    rows,
  )
}
