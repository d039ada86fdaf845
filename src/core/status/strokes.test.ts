import { ringsBy, ringStrokes, sameTuning, type Stroke } from './strokes'

const stroke = (more: Partial<Stroke> = {}): Stroke => ({
  ...{ id: 's', at: '2026-01-05T12:00:00.000Z', source: 'typed', hz: 92, standardErrorHz: 0.3 },
  ...{ decaySeconds: 0.4, glideCents: null, ringSeconds: null, modes: [], hung: undefined, layers: [] },
  ...{ batterHz: 160, resonantHz: 200, oneHeaded: false, words: [] },
  ...more,
})

test('two strokes are of one tuning while neither head moved by more than a fifth of a semitone', () => {
  const here = stroke()
  const moved = (cents: number) => stroke({ resonantHz: 200 * 2 ** (cents / 1200) })
  expect(sameTuning(here, moved(19))).toBe(true)
  expect(sameTuning(here, moved(-21))).toBe(false)
  // A head that was never read is the same only as one that was not read either.
  expect(sameTuning(here, stroke({ batterHz: null }))).toBe(false)
  expect(sameTuning(stroke({ batterHz: null }), stroke({ batterHz: null }))).toBe(true)
})

test('a stroke tells of the ring when it has one and both heads are known; a drum of one head needs the one', () => {
  const told = (more: Partial<Stroke>) => ringStrokes([stroke(more)]).length
  expect(told({})).toBe(1)
  expect(told({ decaySeconds: null })).toBe(0)
  expect(told({ batterHz: null })).toBe(0)
  expect(told({ resonantHz: null })).toBe(0)
  expect(told({ resonantHz: null, oneHeaded: true })).toBe(1)
  // Where nobody said how it hung it was held.
  expect(ringStrokes([stroke({ hung: undefined })])[0].hung).toBeNull()
  expect(ringStrokes([stroke({ hung: 'arm' })])[0].hung).toBe('arm')
})

test('rings are means by name, in the order in which the names came; what has no name or no ring is left out', () => {
  const all = [
    stroke({ hung: 'arm', decaySeconds: 0.3 }),
    stroke({ hung: null, decaySeconds: 0.5 }),
    stroke({ hung: 'arm', decaySeconds: 0.2 }),
    stroke({ hung: 'floor', decaySeconds: null }),
    stroke({ hung: undefined, decaySeconds: 9 }),
  ]
  const nameOf = ({ hung }: Stroke) => (hung === undefined ? null : (hung ?? 'held'))
  expect(ringsBy(all, nameOf)).toEqual([
    { name: 'arm', ring: expect.closeTo(0.25, 9), count: 2 },
    { name: 'held', ring: 0.5, count: 1 },
  ])
  expect(ringsBy([], nameOf)).toEqual([])
})
