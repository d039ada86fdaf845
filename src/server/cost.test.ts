import { encodeWav } from '@/core/sound/wav'
import { CHEAP_MS, costMs, Lane } from './cost'

const bytesOf = (asked: unknown) => new TextEncoder().encode(JSON.stringify(asked))
const even = (lugs: number, rounds: number) =>
  costMs({ what: 'even', bytes: bytesOf({ head: { lugs }, rounds: new Array(rounds).fill({}) }) })
const plan = (drums: number, avoidHz: number[] = []) =>
  costMs({ what: 'plan', bytes: bytesOf({ drums: new Array(drums).fill({}), avoidHz }) })

test('what a drummer asks is cheap; long histories, large kits and long recordings are not', () => {
  expect([even(6, 4), even(10, 4), plan(5)].every((ms) => ms <= CHEAP_MS)).toBe(true)
  expect([even(20, 20), plan(8, [55, 61]), plan(20)].every((ms) => ms > CHEAP_MS)).toBe(true)
  const second = encodeWav(new Float32Array(48_000), 48_000)
  expect(costMs({ what: 'measure', bytes: second })).toBeLessThan(CHEAP_MS)
  const minute = encodeWav(new Float32Array(60 * 48_000), 48_000)
  expect(costMs({ what: 'measure', bytes: minute })).toBeGreaterThan(CHEAP_MS)
  expect(costMs({ what: 'measure', bytes: minute })).toBeLessThan(4500)
  // Few bytes of a packed file may be hours.
  expect(costMs({ what: 'measure', bytes: new TextEncoder().encode('fLaC') })).toBeGreaterThan(CHEAP_MS)
  for (const odd of ['no', null, [], { drums: 3, rounds: 'x', head: { lugs: 1e9 } }])
    expect(costMs({ what: 'even', bytes: bytesOf(odd) })).toBeLessThan(CHEAP_MS)
})

test('a lane refuses what alone is too much, and what would wait too long behind others', async () => {
  const lane = new Lane(2, 1000)
  expect([lane.refuses(999), lane.refuses(1001)]).toEqual([null, 'late'])
  let end = () => undefined as void
  const held = () => new Promise<void>((resolve) => (end = resolve))
  const first = lane.run(900, held)
  expect([lane.refuses(900), lane.refuses(200)]).toEqual([null, null])
  const stopFirst = end
  const second = lane.run(900, held)
  expect([lane.refuses(900), lane.refuses(100)]).toEqual(['busy', null])
  stopFirst()
  end()
  await Promise.all([first, second])
  expect(lane.refuses(900)).toBeNull()
  await expect(lane.run(900, () => Promise.reject(new Error('x')))).rejects.toThrow()
  expect(lane.refuses(1000)).toBeNull()
})
