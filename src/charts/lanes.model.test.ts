import { airModel, laneModel, laneScale, timeTicks, type LaneInput } from './lanes.model'

const DAY = 24 * 3600 * 1000
const NOW = new Date(2026, 4, 20, 12).getTime()
const point = (day: number, cents: number, out = false) => ({
  ms: NOW + day * DAY,
  cents,
  errorCents: 1,
  out,
})
const input = (more: Partial<LaneInput> = {}): LaneInput => ({
  ...{ width: 600, height: 34, fromMs: NOW - 50 * DAY, toMs: NOW + 10 * DAY, nowMs: NOW, halfCents: 5 },
  ...{
    points: [point(-40, 0), point(-20, -2), point(-5, -4)],
    byHandMs: [],
    turnedMs: [],
    changesMs: [],
    now: { cents: -5, sd: 2 },
  },
  ...{ fan: [], leavesMs: null, rangeMs: null },
  ...more,
})
const count = (path: string, what = 'M') => path.split(what).length - 1

test('readings, the line of belief up to now, and the band', () => {
  const model = laneModel(input())
  expect(count(model.dots)).toBe(3)
  expect(count(model.line)).toBe(3)
  expect(model.band!.height).toBeGreaterThan(10)
  expect(model.pieces.length).toBe(1)
})

test('a turn breaks the line, another head tears the tape', () => {
  expect(count(laneModel(input({ turnedMs: [NOW - 10 * DAY] })).line)).toBe(2)
  expect(laneModel(input({ changesMs: [NOW - 10 * DAY] })).pieces.length).toBe(2)
})

test('days out of the band are marked from the reading to the next, or to the turn that ended them', () => {
  const points = [point(-40, -7, true), point(-20, -1), point(-5, 30, true)]
  const model = laneModel(input({ points }))
  const x = (day: number) => 10 * (day + 50)
  expect(model.outSpans).toBe(`M${x(-40)} 32.5H${x(-20)}M${x(-5)} 32.5H${x(0)}`)
  // Far beyond the lane's edge there is an arrow instead of a mark.
  expect(count(model.outs)).toBe(1)
  expect(count(model.beyond)).toBe(1)
  const ended = laneModel(input({ points, turnedMs: [NOW - 30 * DAY] }))
  expect(ended.outSpans.startsWith(`M${x(-40)} 32.5H${x(-30)}`)).toBe(true)
})

test('thousands of readings are drawn by no more than a few marks a pixel, with the least and the greatest among them', () => {
  const points = Array.from({ length: 6000 }, (_, i) => point(-49 + i / 130, i === 3000 ? 4.9 : Math.sin(i)))
  const model = laneModel(input({ points }))
  expect(count(model.dots)).toBeLessThanOrEqual(2 * 300 + 2)
  const y = laneScale({ halfCents: 5, points, height: 34 })
  expect(model.dots).toContain(` ${Math.round(10 * y(4.9)) / 10}a`)
})

test('the fan is drawn from where it begins, the day of leaving lies on the band’s edge', () => {
  const fan = [0, 5, 10].map((day) => ({
    ms: NOW + day * DAY,
    p10: -9 - day,
    p25: -7,
    p50: -4 - day / 5,
    p75: -3,
    p90: 0,
  }))
  const model = laneModel(input({ fan, leavesMs: NOW + 5 * DAY, rangeMs: [NOW + 2 * DAY, NOW + 90 * DAY] }))
  expect(model.leaves).toMatchObject({ x: 550, from: 520, to: 600 })
  const y = laneScale(input())
  expect(model.leaves!.y).toBeCloseTo(y(-5), 6)
  expect(model.fanLine.startsWith('M500 ')).toBe(true)
})

test('ticks are days, weeks or months, and leave each other room', () => {
  const ticks = (days: number, width = 600) => timeTicks({ fromMs: NOW - days * DAY, toMs: NOW, width })
  expect(ticks(5).length).toBe(5)
  expect(ticks(56).length).toBe(8)
  expect(ticks(200).map(({ label }) => label)).toContain('Jan')
  const narrow = ticks(56, 300)
  for (const [i, tick] of narrow.slice(1).entries()) expect(tick.x - narrow[i].x).toBeGreaterThan(55)
})

test('the air: its least and greatest are named', () => {
  const samples = [44, 60, 71, 50].map((value, i) => ({ ms: NOW - (20 - i) * DAY, value }))
  const { marks, line } = airModel(input(), 50, samples)
  expect(marks.map(({ value }) => value)).toEqual([71, 44])
  expect(line.split('L').length).toBe(4)
  expect(airModel(input(), 50, []).line).toBe('')
})
