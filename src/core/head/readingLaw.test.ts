import fc from 'fast-check'
import { centsBetween } from '../units/pitch'
import { earWord, earReadings } from './ear'
import { estimateHead } from './estimate'
import { confirmedBy } from './readings'
import { dialCents } from './gauge'
import { spreadCents } from './harmonics'
import { bareHz, densityOf, heardBetween, partsOf, polesOf, shareAt, worthOf } from './readingLaw'
import type { EvenHead, Round } from './types'

const HEAD: EvenHead = {
  ...{ side: 'batter', diameterInches: 14, lugs: 8, hoop: 'triple-flanged' },
  ...{ threadPitchMm: 1.058, pliesMils: [10] },
}
/** A head whose poles lie so many cents apart about 230 Hz, the high one's antinode at lug 1. */
function apart(cents: number): [number, number, number] {
  const [low, high] = [230 * 2 ** (-cents / 2400), 230 * 2 ** (cents / 2400)]
  return [(high ** 2 + low ** 2) / 2, (high ** 2 - low ** 2) / 2, 0]
}

test('the poles and their shares: all of the high one at its antinode, none a quarter round, half between', () => {
  const poles = polesOf(apart(40))
  expect((1200 * poles.apart) / Math.LN2).toBeCloseTo(40, 6)
  expect([0, 1, 2, 4].map((lug) => shareAt(poles, lug, 8))).toEqual(
    [1, 0.5, 0, 1].map((share) => expect.closeTo(share, 9)),
  )
})

/**
 * Of two decaying poles at once the peak of their common spectrum lies at the weighted mean while they are closer than
 * about a third of a width, and at the louder one beyond a width (worked out from |w1 / (1 + 2ig) + w2 / (1 + 2i(g - r))|).
 */
test.each([
  [0.1, 0.3, 0.29, 0.02],
  [0.25, 0.3, 0.228, 0.06],
  [0.5, 0.2, 0.014, 0.05],
  [1, 0.4, 0, 0.03],
  [3, 0.4, 0, 0.01],
])('poles %d widths apart, share %d: heard at %d of their distance', (widths, share, at, within) => {
  const { part, error } = heardBetween(share, widths / 80, 'peak')
  expect(Math.abs(part - at)).toBeLessThan(within + error)
  expect(error).toBeLessThan(0.5)
})

test('a source of means says the mean at any distance; the error grows with the share’s own', () => {
  for (const widths of [0.1, 1, 10]) expect(heardBetween(0.3, widths / 80, 'mean').part).toBeCloseTo(0.3, 2)
  expect(heardBetween(0.5, 5 / 80, 'peak').error).toBeGreaterThan(heardBetween(0.95, 5 / 80, 'peak').error)
})

test('the law runs without a jump from the mean to the louder pole as the poles part', () => {
  fc.assert(
    fc.property(
      fc.integer({ min: 0, max: 7 }),
      fc.double({ min: 1, max: 300, noNaN: true }),
      (lug, cents) => {
        const [a, b] = [bareHz(apart(cents), lug, 8, 'peak'), bareHz(apart(cents * 1.01), lug, 8, 'peak')]
        expect(Math.abs(centsBetween(a, b))).toBeLessThan(1 + 0.03 * cents)
        const poles = polesOf(apart(cents))
        expect(a).toBeGreaterThanOrEqual(Math.exp(poles.low) - 1e-6)
        expect(a).toBeLessThanOrEqual(Math.exp(poles.low + poles.apart) + 1e-6)
      },
    ),
    { seed: 5 },
  )
})

test('a reading a few errors off is rough, one far off a slip, and one that came again is neither', () => {
  const poles = polesOf(apart(4))
  const at = (cents: number, confirmed = false) => {
    const reading = { lug: 0, hz: 230 * 2 ** (cents / 1200), errorHz: 0.27, alone: false, confirmed }
    const { total, slip } = densityOf(reading, partsOf(reading, poles, 8, 'mean', 0))
    return slip / total
  }
  expect(at(2)).toBeLessThan(0.01)
  expect(at(14)).toBeLessThan(0.5)
  expect(at(60)).toBeGreaterThan(0.9)
  expect(at(24, true)).toBeLessThan(0.2)
  expect(worthOf([1])).toBeGreaterThan(0.9)
  expect(worthOf([8])).toBeLessThan(0.1)
})

test('two levels with one pair low, as a fresh rod leaves them: poles at the levels, nothing thrown away', () => {
  const state = estimateHead({ ...HEAD, diameterInches: 22 }, [
    { readingsHz: [80.5, 80.3, 80.5, 74.7, 80.5, 80.3, 80.5, 75], readingErrorCents: 1.5 },
  ])
  const poles = polesOf(state.leading.x)
  expect(Math.abs(centsBetween(74.9, Math.exp(poles.low)))).toBeLessThan(6)
  expect(Math.abs(centsBetween(80.4, Math.exp(poles.low + poles.apart)))).toBeLessThan(25)
  expect(state.leftOut).toEqual([])
})

test('history that the readings contradict is doubted: a head pitch moved by other hands is found at once', () => {
  const still = new Array<number>(8).fill(0)
  const rounds: Round[] = [
    { readingsHz: new Array<number>(8).fill(230), readingErrorCents: 1, turns: still },
    { readingsHz: new Array<number>(8).fill(230.2), readingErrorCents: 1, turns: still },
    { readingsHz: [205, 206, 208, 206.5, 205.2, 206.1, 208.2, 206.4], readingErrorCents: 1 },
  ]
  const state = estimateHead(HEAD, rounds)
  expect(Math.abs(centsBetween(206.4, Math.sqrt(state.belief.x[0])))).toBeLessThan(4)
  expect(state.surprises.at(-1)).toBeGreaterThan(9)
  expect(state.leftOut).toEqual([])
})

test('a reading is confirmed by one before it with nothing turned between, and by none after a turn', () => {
  const read = (hz: number): Round => ({
    readingsHz: [hz, ...new Array<null>(7).fill(null)],
    readingErrorCents: 2,
  })
  const still = new Array<number>(8).fill(0)
  expect([...confirmedBy([{ ...read(230), turns: still }, read(230.4)], 1)]).toEqual([0])
  expect([...confirmedBy([{ ...read(230), turns: still }, read(236)], 1)]).toEqual([])
  expect([...confirmedBy([{ ...read(230), turns: [0.25, ...still.slice(1)] }, read(230.4)], 1)]).toEqual([])
  expect([...confirmedBy([{ ...read(230), confirmed: [5] }], 0)]).toEqual([4])
})

test('words are cents about a pitch that stays unknown; the reference lug is that pitch', () => {
  const readings = earReadings({ ear: [null, 'lower', 'much-higher', null], earReference: 1 }, 200)
  expect(readings.map(({ lug }) => lug)).toEqual([0, 1, 2])
  expect(centsBetween(200, readings[1].hz)).toBeCloseTo(earWord('lower').cents, 6)
  expect(readings[2].errorHz).toBeGreaterThan(readings[1].errorHz)
  // Five words in order, symmetric about alike (common practice, no source).
  const cents = (['much-lower', 'lower', 'alike', 'higher', 'much-higher'] as const).map(
    (w) => earWord(w).cents,
  )
  expect(cents).toEqual([...cents].sort((a, b) => a - b))
  expect(
    cents
      .map((value) => -value)
      .reverse()
      .map((v) => v + 0),
  ).toEqual(cents)
  const state = estimateHead(
    { ...HEAD, lugs: 6 },
    [{ ear: [null, 'higher', 'alike', 'alike', 'higher', 'alike'], earReference: 1 }],
    { aroundHz: 180 },
  )
  expect(state.knownBy).toBe('ear')
  // Of the pitch itself nothing was learned.
  expect(Math.sqrt(state.belief.p[0]) / state.belief.x[0]).toBeGreaterThan(1)
})

test('a dial’s difference as pitch: tension goes as its square, by the law or by a guess of the room', () => {
  // g = 100 - 60000 / T: at dial 70 T = 2000, at 71 T = 2069; half of 1.7% is 29.8 cents.
  const { cents } = dialCents(71, 70, { g0: 100, c: 60_000 })
  expect(cents).toBeCloseTo((1731.2 / 2) * (1 / 30), 1)
  expect(dialCents(70, 70, null).cents).toBe(0)
  expect(dialCents(71, 70, null).error).toBeGreaterThan(dialCents(71, 70, null, 0.3).error)
})

test('four lugs see one pattern: rods at two of them raised are found, whatever the axis', () => {
  const head = { ...HEAD, lugs: 4, diameterInches: 10 }
  const state = estimateHead(head, [{ readingsHz: [291, 287, 291.2, 286.8], readingErrorCents: 1.5 }])
  const found = [0, 1, 2, 3].map((lug) => bareHz(state.leading.x, lug, 4, 'mean'))
  expect(spreadCents(found)).toBeGreaterThan(20)
  expect(spreadCents(found)).toBeLessThan(30)
})
