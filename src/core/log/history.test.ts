import fc from 'fast-check'
import { lugAngle } from '../head/harmonics'
import type { HeadEvent } from '../records/event'
import { shiftByCents } from '../units/pitch'
import { historyOf, EMPTY_HEAD, withHeadEvent } from './headLog'

const START = Date.UTC(2026, 0, 5, 12)
const LUGS = 8
let ids = 0
const base = (ms: number) => ({
  ...{ id: `h${++ids}`, at: new Date(START + ms).toISOString(), kit: 'k', schema: 9, algorithm: null },
  ...{ drum: 'd', side: 'batter' as const, source: 'typed' as const },
})
const reading = (lug: number, hz: number, ms = 0): HeadEvent => ({
  ...{ ...base(ms), kind: 'readingTaken', lug, hz, standardErrorHz: 0.05, poles: [], otherHead: 'muted' },
})
const inShort = (events: readonly HeadEvent[]) =>
  historyOf(
    events.reduce((head, event) => withHeadEvent(head, event, LUGS), EMPTY_HEAD),
    LUGS,
  )

test('mean and second harmonic of any head that has no other, from its lugs in any order', () => {
  const part = fc.double({ min: -15, max: 15, noNaN: true })
  fc.assert(
    fc.property(
      part,
      part,
      fc.double({ min: 40, max: 400, noNaN: true }),
      fc.boolean(),
      (cosine, sine, hz, back) => {
        const lugs = Array.from({ length: LUGS }, (_, i) => i + 1)
        const events = (back ? lugs.reverse() : lugs).map((lug) => {
          const angle = 2 * lugAngle(lug - 1, LUGS)
          return reading(lug, shiftByCents(hz, cosine * Math.cos(angle) + sine * Math.sin(angle)))
        })
        const { found } = inShort(events)[0]
        expect(Math.abs(1200 * Math.log2(found!.hz / hz))).toBeLessThan(0.05)
        // Drawn a little towards even: eight readings of 1.5 cents against an unevenness of 12 that is usual.
        expect(Math.abs(found!.cosineCents - cosine)).toBeLessThan(0.01 * Math.abs(cosine) + 0.01)
        expect(Math.abs(found!.sineCents - sine)).toBeLessThan(0.01 * Math.abs(sine) + 0.01)
      },
    ),
  )
})

test('three lugs of eight say less than eight: the mean’s error grows with what the others may hide', () => {
  const of = (lugs: number[]) => inShort(lugs.map((lug) => reading(lug, 150)))[0].found!
  const [few, all] = [of([1, 2, 3]), of([1, 2, 3, 4, 5, 6, 7, 8])]
  expect(all.errorCents).toBeCloseTo(1.5 / Math.sqrt(8), 1)
  expect(few.errorCents).toBeGreaterThan(1.8 * all.errorCents)
  // A pair alone may be the high one or the low one: 12 cents of usual unevenness stay in its mean.
  expect(of([1, 5]).errorCents).toBeGreaterThan(10)
  expect([few.lugs, all.lugs]).toEqual([3, 8])
})

test('one number for the whole head is a pitch and says nothing of its evenness', () => {
  const { found } = inShort([{ ...base(0), kind: 'headRead', hz: 82, standardErrorHz: 0.2 }])[0]
  expect(found).toMatchObject({ hz: 82, lugs: 0, cosineCents: 0 })
  expect(found!.waveErrorCents).toBeGreaterThan(5)
})

test('dials are kept lug by lug, as found and as left, where no pitch was read', () => {
  const dial = (lug: number, value: number, ms: number): HeadEvent => ({
    ...{ ...base(ms), source: 'gauge', kind: 'gaugeRead', lug, dial: value },
  })
  const turned: HeadEvent = {
    ...{ ...base(2000), kind: 'rodsTurned', planned: null },
    turns: [0.1, 0, 0, 0, 0, 0, 0, 0],
  }
  const [past] = inShort([dial(1, 66, 0), dial(2, 70, 1000), turned, dial(1, 70, 3000)])
  expect(past).toMatchObject({ found: null, left: null, by: 'gauge' })
  expect(past.dials!.found!.slice(0, 3)).toEqual([66, 70, null])
  expect(past.dials!.left!.slice(0, 2)).toEqual([70, null])
})

test('a sitting in which nothing was read or turned is none', () => {
  expect(inShort([{ ...base(0), kind: 'otherHeadSet', state: 'free' }])).toEqual([])
})
