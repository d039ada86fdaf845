import fc from 'fast-check'
import { invertSymmetric } from '../numeric/linear'
import { circleOf, overLugs, partsOver } from './circle'
import { earWords } from './ear'
import {
  evidenceOf,
  lugCents,
  lugPictureOf,
  lugsTurned,
  numbersRead,
  weighed,
  wordsRead,
  type LugPicture,
} from './lugPicture'
import type { EvenHead } from './types'

const HEAD: EvenHead = {
  ...{ side: 'batter', diameterInches: 12, lugs: 4, hoop: 'triple-flanged' },
  ...{ threadPitchMm: 1.058, pliesMils: [10] },
}
const fresh = (lugs = 4, farthest: number[] = []) =>
  lugPictureOf({ ...HEAD, lugs }, 150 ** 2, 'number', undefined, farthest)
const numbers = (...cents: number[]) =>
  cents.map((value, lug) => ({ lug, cents: value, error: 2, confirmed: false }))

test('harmonics over the lugs: orthonormal, and back', () => {
  fc.assert(
    fc.property(
      fc.array(fc.double({ min: -50, max: 50, noNaN: true }), { minLength: 3, maxLength: 20 }),
      (values) => {
        const lugs = values.length
        const parts = partsOver(values, lugs)
        overLugs(parts, lugs).forEach((value, lug) => expect(value).toBeCloseTo(values[lug], 8))
        const square = (all: ArrayLike<number>) => Array.from(all).reduce((sum, v) => sum + v * v, 0)
        expect(square(parts)).toBeCloseTo(square(values), 6)
      },
    ),
  )
  expect(circleOf(6).order).toEqual([0, 1, 1, 2, 2, 3])
})

/** A member alone, by its place in the grid. */
const only = (picture: LugPicture, at: number): LugPicture => ({
  ...picture,
  members: [{ ...picture.members[at], log: 0 }],
})

test('numbers taken in one by one are the normal law that all of them make at once', () => {
  const start = only(fresh(), 7)
  const [member] = start.members
  const size = member.x.length
  const cents = [3, -4, 2, 1]
  const read = numbersRead(start, numbers(...cents)).members[0]
  // Batch: (P^-1 + sum r r' / s^2)^-1, with what each number was worth beside its error, as near as nothing is rough.
  const noise = (member.scatter * 2) ** 2
  const inverse = invertSymmetric(Float64Array.from(member.p), size)!
  const { at } = circleOf(4)
  for (let lug = 0; lug < 4; lug++)
    for (let i = 0; i < 4; i++)
      for (let j = 0; j < 4; j++) inverse[i * size + j] += (at[lug][i] * at[lug][j]) / noise
  const batch = invertSymmetric(inverse, size)!
  for (let i = 0; i < 4; i++)
    expect(Math.abs(read.p[i * size + i] / batch[i * size + i] - 1)).toBeLessThan(0.15)
})

test('a turn moves every pattern by its gain, and two passes teach it', () => {
  const one = only(fresh(), 4)
  const { order } = circleOf(4)
  const turns = [0.1, 0, 0, 0]
  const parts = partsOver(turns, 4)
  const [before, after] = [one.members[0], lugsTurned(one, turns, 3).members[0]]
  order.forEach((k, part) =>
    expect(after.x[part] - before.x[part]).toBeCloseTo(before.x[4 + k] * parts[part], 9),
  )
  // A world in which a rod is heard at its own lug by 1,000 cents a turn, and nowhere else.
  let picture = fresh(6)
  let at = [20, -8, 5, 0, -12, 3]
  for (const moves of [
    [0, 0.05, 0, 0, 0.05, 0],
    [-0.05, 0, 0, 0.05, 0, 0],
    [0, 0, -0.05, 0, 0, 0.05],
  ]) {
    picture = lugsTurned(numbersRead(picture, numbers(...at)), moves, 3)
    at = at.map((cents, lug) => cents + 1000 * moves[lug])
  }
  picture = numbersRead(picture, numbers(...at))
  const gains = (k: number) =>
    weighed(picture).reduce((sum, { member, weight }) => sum + weight * member.x[6 + k], 0)
  const usual = fresh(6).members[0].x
  expect(gains(1)).toBeGreaterThan(1.5 * usual[7])
  expect(gains(1)).toBeLessThan(1300)
  lugCents(picture).forEach(({ cents, error }, lug) =>
    expect(Math.abs(cents - at[lug])).toBeLessThan(3 * Math.max(1, error)),
  )
})

test('the grid is weighed by what was read: scatter, one lug off, a slip', () => {
  const scatterOf = (picture: LugPicture) =>
    weighed(picture).reduce((sum, { member, weight }) => sum + weight * member.scatter, 0)
  const rounds = (sizes: readonly number[]) =>
    [1, -1, 1, -1].reduce(
      (picture, sign) => numbersRead(picture, numbers(...sizes.map((size) => sign * size))),
      fresh(6, [0, 1, 2]),
    )
  expect(scatterOf(rounds([1, -2, 2, -1, 1, -1]))).toBeLessThan(1.4)
  expect(scatterOf(rounds([9, -11, 10, -8, 12, -10]))).toBeGreaterThan(4)
  // One lug off: it is the picture that names it beforehand which foretells best.
  const off = numbers(1, 0, 40, -1, 0, 1)
  expect(evidenceOf(numbersRead(fresh(6, [2, 0, 1]), off))).toBeGreaterThan(
    evidenceOf(numbersRead(fresh(6, [4, 0, 1]), off)) + 1,
  )
  // Another mode is no lug: left out, and the others as if it had not been.
  const slipped = numbersRead(fresh(6, [5, 0, 1]), numbers(1, 0, 2, -1, 0, 720))
  expect(slipped.stray).toEqual([5])
  expect(Math.abs(lugCents(slipped)[2].cents)).toBeLessThan(4)
  // What came again is so.
  const again = numbers(1, 0, 2, -1, 0, 720).map((each) => ({ ...each, confirmed: true }))
  expect(numbersRead(fresh(6, [5, 0, 1]), again).stray).toEqual([])
})

test('a word is the normal law cut off at its interval', () => {
  const start = only(fresh(), 4)
  const word = { lug: 2, against: 0, from: 10, to: 40, error: 6 }
  const difference = ({ members: [{ x, p }] }: LugPicture) => {
    const { at } = circleOf(4)
    const row = at[2].map((value, part) => value - at[0][part])
    const variance = row.reduce(
      (sum, a, i) => sum + row.reduce((all, b, j) => all + a * b * p[i * x.length + j], 0),
      0,
    )
    return { mean: row.reduce((sum, value, part) => sum + value * x[part], 0), variance }
  }
  const prior = difference(start)
  // Brute force: the difference and what was heard of it, on a fine grid.
  const [sd, noise] = [Math.sqrt(prior.variance), start.members[0].scatter * word.error]
  let [weight, sum, squares] = [0, 0, 0]
  for (let d = -8 * sd; d <= 8 * sd; d += sd / 200)
    for (let heard = word.from; heard < word.to; heard += 0.25) {
      const density = Math.exp(-0.5 * (d / sd) ** 2 - 0.5 * ((heard + 0.125 - d) / noise) ** 2)
      weight += density
      sum += density * d
      squares += density * d * d
    }
  const found = difference(wordsRead(start, [word]))
  expect(found.mean).toBeCloseTo(sum / weight, 1)
  expect(Math.sqrt(found.variance)).toBeCloseTo(Math.sqrt(squares / weight - (sum / weight) ** 2), 1)
  // Alike by twice the threshold of 5; the reference itself says nothing.
  const [alike] = earWords({ ear: [null, 'alike'], earReference: 1, earThresholdCents: 5 })
  expect([alike.from, alike.to]).toEqual([-10, 10])
})
