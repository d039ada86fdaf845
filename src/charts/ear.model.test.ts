import { earModel, earTicks } from './ear.model'

const levels = [2, 4, 8, 16, 32, 64, 128, 240]
const answered = [
  { level: 128, right: true },
  { level: 32, right: true },
  { level: 8, right: false },
  { level: 16, right: true },
]
const course = answered.map((_, i) => ({ threshold: 30 - 4 * i, error: 10 - i }))
const model = earModel({
  width: 900,
  height: 190,
  levels,
  answered,
  course,
  room: 32,
  ticks: earTicks(levels),
})

test('trials stand in their order, larger differences higher, a wrong one among the wrong', () => {
  expect(model.rights).toHaveLength(3)
  expect(model.wrongs).toHaveLength(1)
  const xs = [...model.rights, ...model.wrongs].map(({ x }) => x)
  expect(Math.max(...xs)).toBeLessThan(model.nextX)
  expect(model.rights[0].y).toBeLessThan(model.rights[1].y)
  // A halving is as far anywhere on the strip.
  const [y16, y32] = [model.rights[2].y, model.rights[1].y]
  expect((model.wrongs[0].y - y16) / (y16 - y32)).toBeCloseTo(1, 6)
})

test('ticks are doublings within what can be played, and not too many', () => {
  expect(earTicks(levels)).toEqual([2, 8, 32, 128])
  expect(earTicks(levels, 8)).toEqual([2, 4, 8, 16, 32, 64, 128, 256])
  expect(earTicks([1 / 16, 1 / 8, 1 / 4, 1 / 2, 1])).toEqual([0.0625, 0.125, 0.25, 0.5, 1])
  for (const { value, y } of model.ticks) expect([value, y > 0 && y < 190]).toEqual([value, true])
})

test('a run that is longer than the room still fits, and so does a small one', () => {
  const many = Array.from({ length: 50 }, (_, i) => answered[i % 4])
  for (const small of [false, true]) {
    const long = earModel({
      ...{ width: 168, height: 64, levels, answered: many, course: [], room: 32, ticks: [], small },
    })
    const places = [...long.rights, ...long.wrongs]
    expect(places).toHaveLength(50)
    for (const { x, y } of places) expect(x >= 0 && x <= 168 && y >= 0 && y <= 64).toBe(true)
  }
})
