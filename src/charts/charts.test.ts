import { keyMapModel } from './keymap.model'
import { intervalText, railModel } from './rail.model'
import { rimModel, rimText, type RimInput } from './rim.model'
import { sweepModel } from './sweep.model'

const RIM: RimInput = {
  ...{
    width: 700,
    height: 390,
    lugs: 8,
    zeroHz: 234,
    targetHz: new Array<number>(8).fill(234),
    toleranceCents: 6,
  },
  readings: [
    { lug: 1, hz: 234, errorHz: 0.2, taps: 1 },
    { lug: 3, hz: 230, errorHz: 0.2, taps: 2 },
  ],
  ...{ expected: [], fit: { mean: 234 ** 2, cosine: 500, sine: 0 } },
}

test('the rim strip: lugs left to right, higher pitch higher up, everything inside', () => {
  const model = rimModel(RIM)
  expect(model.lugX).toEqual([...model.lugX].sort((a, b) => a - b))
  const [on, low] = model.readings
  expect(low.y).toBeGreaterThan(on.y)
  expect(on.y).toBeCloseTo(model.ticks.find((tick) => tick.zero)!.y, 6)
  for (const mark of model.readings) {
    expect(mark.high).toBeLessThan(mark.y)
    expect(mark.low).toBeGreaterThan(mark.y)
    expect(mark.y).toBeGreaterThan(model.top)
    expect(mark.y).toBeLessThan(model.bottom)
  }
  expect(model.curve).toMatch(/^M/)
  expect(rimText(RIM)).toBe('lug 1 234.0 hertz, on target; lug 3 230.0 hertz, 30 cents low')
  expect(rimText({ ...RIM, readings: [] })).toMatch(/No lug/)
})

test('the rail: one logarithmic axis, an octave is everywhere as wide', () => {
  const lane = (id: string, hz: number) => ({
    ...{ id, batterHz: hz, resonantHz: hz * 1.335, spreadCents: 10, targetHz: hz, toleranceCents: 8 },
  })
  const { lanes, notes } = railModel([lane('a', 60), lane('b', 120), lane('c', 240)], 600, 440)
  expect(lanes[1].batter! - lanes[0].batter!).toBeCloseTo(lanes[2].batter! - lanes[1].batter!, 6)
  expect(lanes[0].next).toEqual({ x: lanes[1].batter, label: 'octave' })
  expect(lanes[2].next).toBeNull()
  expect(lanes[0].relation).toBe('fourth up')
  for (const { bracket, batter } of lanes) {
    expect(bracket!.from).toBeLessThan(batter!)
    expect(bracket!.to).toBeGreaterThan(batter!)
  }
  expect(notes.length).toBeGreaterThan(2)
  expect(
    railModel([{ ...lane('a', 60), batterHz: null, resonantHz: null, targetHz: null }], 300, 440).lanes[0]
      .batter,
  ).toBeNull()
})

test.each([
  [0, 'alike'],
  [498.04, 'fourth −2 c'],
  [-702, 'fifth +2 c'],
  [1200, 'octave'],
  [1910, 'octave + fifth +10 c'],
])('%f cents is called %s', (cents, words) => {
  expect(intervalText(cents)).toBe(words)
})

test('the key map: lug 1 first clockwise after the badge', () => {
  const { lugs, badge } = keyMapModel(160, [0.125, 0, 0, 0, 0.125, 0, 0, 0], 3)
  expect(lugs[0].x).toBeGreaterThan(badge.x)
  expect(lugs[7].x).toBeLessThan(badge.x)
  expect(lugs.filter((lug) => lug.next).map((lug) => lug.lug)).toEqual([1, 5])
  expect(lugs.filter((lug) => lug.tapped).map((lug) => lug.lug)).toEqual([3])
})

test('a sweep goes clockwise to tighten, the rod turned with it', () => {
  expect(sweepModel(0.25, 50)).toMatchObject({ tighten: true, degrees: 90 })
  expect(sweepModel(-0.125, 50)).toMatchObject({ tighten: false, degrees: -45 })
  expect(sweepModel(2, 50).degrees).toBe(360)
})
