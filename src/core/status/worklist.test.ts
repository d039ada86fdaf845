import fc from 'fast-check'
import type { Target } from '../records/kit'
import { leaveOut, outOf, wantsWork, type WorkItem } from './worklist'

const TARGET = { meanHz: 150, toleranceCents: 8 } as Target

/** The normal law by plain sums: an integral that no code of the project works out. */
function partBeyond(offCents: number, sd: number, most: number): number {
  const step = sd / 400
  let within = 0
  for (let x = -most; x < most; x += step)
    within += (step * Math.exp(-(((x + step / 2 - offCents) / sd) ** 2) / 2)) / (sd * Math.sqrt(2 * Math.PI))
  return 1 - within
}

test('a head is out as often as the normal law says, surely where nobody read it or it is uneven', () => {
  // Where the odds of one that is sure of itself turn over is where "out" begins.
  let most = 0
  while (outOf(most, 0.2, false, TARGET) < 0.5) most += 0.01
  expect(most).toBeGreaterThan(0.5 * TARGET.toleranceCents)
  for (const [off, error] of [
    [0, 4],
    [5, 2],
    [-5, 2],
    [9, 6],
    [-20, 9],
  ])
    // prettier-ignore
    expect(outOf(off, error, false, TARGET)).toBeCloseTo(partBeyond(off, error, most), 2)
  expect(outOf(null, 4, false, TARGET)).toBe(1)
  expect(outOf(0, 0.3, true, TARGET)).toBe(1)
  expect(outOf(0, 0.3, false, TARGET)).toBeLessThan(0.01)
})

test('a head that was just read wants work when it is more likely out than not; one only believed, sooner', () => {
  expect(wantsWork({ out: 0.4, known: true })).toBe(false)
  expect(wantsWork({ out: 0.4, known: false })).toBe(true)
  expect(wantsWork({ out: 0.05, known: false })).toBe(false)
})

test('with the doors near what is left out is worth least for its time, and what stays fits', () => {
  const item = fc.record({
    minutes: fc.double({ min: 0, max: 12, noNaN: true }),
    worth: fc.double({ min: 0, max: 5, noNaN: true }),
  })
  fc.assert(
    fc.property(
      fc.array(item, { maxLength: 12 }),
      fc.double({ min: 0, max: 60, noNaN: true }),
      (all, left) => {
        const items = all as WorkItem[]
        const out = leaveOut(items, left)
        const wanted = items.filter(({ minutes, worth }) => minutes > 0 && worth > 0)
        const stay = wanted.filter((each) => !out.has(each))
        expect(stay.reduce((sum, { minutes }) => sum + minutes, 0)).toBeLessThanOrEqual(left + 1e-9)
        // What costs nothing or is worth nothing is never in the way.
        for (const each of out) expect(wanted).toContain(each)
        // Nothing that is left out would fit beside what is dearer for its time and stays.
        const rate = ({ worth, minutes }: WorkItem) => worth / minutes
        for (const each of out) {
          const dearer = stay.filter((other) => rate(other) >= rate(each))
          const used = dearer.reduce((sum, { minutes }) => sum + minutes, 0)
          expect(used + each.minutes).toBeGreaterThan(left - 1e-9)
        }
        if (left >= wanted.reduce((sum, { minutes }) => sum + minutes, 0) + 1e-9) expect(out.size).toBe(0)
      },
    ),
  )
})
