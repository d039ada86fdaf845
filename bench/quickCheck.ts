import { headOdds, namedHeads, pullOf } from '@/core/runs/quickCheck'
import { seededRandom } from '@/core/numeric/random'
import { shiftByCents, centsBetween } from '@/core/units/pitch'
import { hiddenDrum, SIZES } from './pairs'
import { printTable } from './stats'

const KITS = 60
const KINDS = ['kicks', 'floor toms', 'toms', 'toms', 'snares'] as const
/** A head left alone differs by so much on the next day, and what a stroke is worth, in cents. */
const STILL_SD = 1
const STROKE_SD = 1
const MOVED = 15
/** The forecast of a head read on the day before. */
const FORESEEN_SD = 1.5

/**
 * One stroke a drum on kits made by the full model of both heads, with films, depth and air that the check does not know: a head that
 * moved by 15 cents is to be named, a still kit to be passed.
 */
export function benchQuickCheck(): void {
  const kinds = new Map<
    string,
    { named: number; moved: number; alarms: number; still: number; both: number }
  >()
  let passed = 0
  for (let kit = 0; kit < KITS; kit++) {
    let alarm = false
    KINDS.forEach((kind, i) => {
      const random = seededRandom(9000 + 100 * kit + i)
      const sizes = SIZES[kind]
      const drum = hiddenDrum(500 + 10 * kit + i, sizes[(kit + i) % sizes.length])
      const [batterHz, resonantHz] = drum.place()
      const centre = (b: number, r: number) =>
        drum.truth(shiftByCents(batterHz, b), shiftByCents(resonantHz, r)).centreHz
      const was = centre(0, 0)
      const pull = pullOf(drum.known, { batterHz, resonantHz })
      const check = (b: number, r: number) => {
        const cents = centsBetween(was, centre(b, r)) + STROKE_SD * Math.SQRT2 * random.normal()
        const heads = (['batter', 'resonant'] as const).map((side) => ({
          ...{ side, offCents: 0, movedCents: 0, sd: FORESEEN_SD, halfCents: 6 },
        }))
        return namedHeads(headOdds(heads, { cents, errorCents: Math.hypot(1, STROKE_SD * Math.SQRT2), pull }))
      }
      const drift = () => STILL_SD * random.normal()
      const known = kinds.get(kind) ?? { named: 0, moved: 0, alarms: 0, still: 0, both: 0 }
      const still = check(drift(), drift())
      if (still.length) alarm = true
      for (const side of ['batter', 'resonant'] as const) {
        const by = (kit % 3 ? -1 : 1) * MOVED
        const named = side === 'batter' ? check(by + drift(), drift()) : check(drift(), by + drift())
        known.moved++
        if (named.includes(side)) known.named++
        if (named.length === 2) known.both++
      }
      kinds.set(kind, { ...known, still: known.still + 1, alarms: known.alarms + (still.length ? 1 : 0) })
    })
    if (!alarm) passed++
  }
  const percent = (part: number, whole: number) => `${((100 * part) / whole).toFixed(0)}%`
  const all = [...kinds.values()]
  const sum = (of: (each: (typeof all)[number]) => number) => all.reduce((total, each) => total + of(each), 0)
  printTable(
    `Quick check: one stroke a drum, ${KITS} kits of five`,
    ['drums', 'a head moved 15 c: named', 'with the other head', 'still drum named'],
    [
      ...[...kinds].map(([kind, { named, moved, both, alarms, still }]) => [
        kind,
        percent(named, moved),
        percent(both, moved),
        percent(alarms, still),
      ]),
      [
        'all',
        percent(
          sum(({ named }) => named),
          sum(({ moved }) => moved),
        ),
        percent(
          sum(({ both }) => both),
          sum(({ moved }) => moved),
        ),
        percent(
          sum(({ alarms }) => alarms),
          sum(({ still }) => still),
        ),
      ],
    ],
  )
  console.log(`still kits passed: ${percent(passed, KITS)}`)
}
