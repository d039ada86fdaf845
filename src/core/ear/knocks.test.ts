import { seededRandom } from '../numeric/random'
import { KnockCounter } from './knocks'

const RATE_HZ = 48_000
const BLOCK = 512

/** A knock on a table: a short thud in room noise. */
function knocksAt(times: readonly number[], seconds: number, noise: number): Float32Array {
  const random = seededRandom(5)
  const out = Float32Array.from({ length: seconds * RATE_HZ }, () => noise * random.normal())
  for (const at of times) {
    const start = Math.round(at * RATE_HZ)
    for (let i = 0; i < 0.12 * RATE_HZ; i++) {
      const t = i / RATE_HZ
      const click = 0.4 * Math.exp(-t / 0.004) * random.normal()
      out[start + i] += click + 0.3 * Math.exp(-t / 0.03) * Math.sin(2 * Math.PI * 170 * t)
    }
  }
  return out
}

function countsOf(sound: Float32Array): number[] {
  const counter = new KnockCounter(RATE_HZ)
  const counts: number[] = []
  for (let i = 0; i + BLOCK <= sound.length; i += BLOCK) {
    const count = counter.push(sound.subarray(i, i + BLOCK))
    if (count !== null) counts.push(count)
  }
  return counts
}

test('knocks are counted, and answered once it is quiet', () => {
  expect(countsOf(knocksAt([1], 3, 0.001))).toEqual([1])
  expect(countsOf(knocksAt([1, 1.3], 3.5, 0.001))).toEqual([2])
  expect(countsOf(knocksAt([1, 1.25, 1.5], 3.5, 0.002))).toEqual([3])
})

test('two answers with a pause between are two', () => {
  expect(countsOf(knocksAt([1, 3.2, 3.5], 6, 0.001))).toEqual([1, 2])
})

test('a quiet room answers nothing', () => {
  expect(countsOf(knocksAt([], 4, 0.003))).toEqual([])
})
