import fc from 'fast-check'
import { fitsOneOn } from './oneOn'

/** An even pull but for its pair: mean 180 Hz, 40 cents up and down twice round, as a tom that wants tuning has it. */
const head = (lugs: number, pair: number, turn: number) =>
  Array.from(
    { length: lugs },
    (_, i) => 180 * 2 ** ((pair * Math.cos(2 * ((2 * Math.PI * i) / lugs - turn))) / 1200),
  )
const asRead = (pitches: number[], missed: number | null) =>
  new Map(pitches.filter((_, i) => i + 1 !== missed).map((hz, i) => [i + 1, hz] as const))

test('a tap that was missed: the readings behind it fit one lug on', () => {
  fc.assert(
    fc.property(
      fc.integer({ min: 2, max: 6 }),
      fc.double({ min: 0, max: 3, noNaN: true }),
      (missed, turn) => {
        const readings = asRead(head(8, 60, turn), missed)
        return fitsOneOn(readings, 8, missed)
      },
    ),
  )
})

test('readings that lie right are left there, and an even head tells nothing', () => {
  for (let from = 1; from <= 7; from++) {
    expect(fitsOneOn(asRead(head(8, 60, 0.4), 8), 8, from)).toBe(false)
    expect(fitsOneOn(asRead(head(8, 2, 0.4), 4), 8, from)).toBe(false)
  }
})

test('too few readings say nothing, and none is moved past the last lug', () => {
  expect(fitsOneOn(asRead(head(8, 60, 0.4).slice(0, 4), 3), 8, 3)).toBe(false)
  expect(fitsOneOn(asRead(head(8, 60, 0.4), null), 8, 3)).toBe(false)
})
