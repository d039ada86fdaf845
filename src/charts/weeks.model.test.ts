import { weeksModel } from './weeks.model'

const sitting = (id: string, day: string, left: number) => ({ id, day, left })
const size = { width: 700, height: 170, ticks: [0, 10, 20, 40, 80] }

test('less left stands lower, the newest at the right, and the strip reaches as far as the largest', () => {
  const { dots, ticks } = weeksModel({
    ...size,
    sittings: [sitting('a', '1 Nov', 60), sitting('b', '8 Nov', 30), sitting('c', '15 Nov', 15)],
  })
  expect(dots.map(({ x }) => x)).toEqual([...dots.map(({ x }) => x)].sort((a, b) => a - b))
  expect(dots[0].y).toBeLessThan(dots[1].y)
  expect(dots[1].y).toBeLessThan(dots[2].y)
  // Halves are halves: the scale begins at nothing.
  const zero = ticks.find(({ value }) => value === 0)!.y
  expect((zero - dots[0].y) / (zero - dots[1].y)).toBeCloseTo(2, 6)
  expect(ticks.map(({ value }) => value)).toEqual([0, 10, 20, 40])
})

test('a day is written once, and never over another', () => {
  const many = Array.from({ length: 24 }, (_, i) => sitting(String(i), `${1 + Math.floor(i / 2)} Nov`, i))
  const { dots } = weeksModel({ ...size, width: 330, sittings: many })
  const written = dots.filter(({ day }) => day !== null)
  expect(new Set(written.map(({ day }) => day)).size).toBe(written.length)
  written.slice(1).forEach(({ x }, i) => expect(x - written[i].x).toBeGreaterThanOrEqual(56))
  expect(written.length).toBeGreaterThan(2)
})

test('one sitting, with nothing left, stands on the strip', () => {
  const { dots, path } = weeksModel({ ...size, sittings: [sitting('a', '1 Nov', 0)] })
  expect(dots[0].x).toBeLessThan(120)
  expect(dots[0].y).toBeLessThan(170)
  expect(path).not.toMatch(/NaN/)
})
