import { times } from '@ref/long'
import { makeNotATap } from '@ref/notTaps'
import { fontOf } from '@ref/recordings'
import { seededRandom } from '../numeric/random'
import { KnockCounter } from './knocks'

const RATE_HZ = 24_000
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

function countsOf(sound: Float32Array, rateHz = RATE_HZ): number[] {
  const counter = new KnockCounter(rateHz)
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

// Recorded drums (avldrums.lv2-soundfont): floor tom, its rim, two small toms, snare, kick; struck for an answer.
test.each([25, 0, 10, 36, 45, 55].slice(0, times(2, 6)))(
  'recorded drum %i struck once, twice, thrice is counted so',
  (number) => {
    const { samples, rateHz } = fontOf(0)[number]
    for (const [times, gap] of [
      [1, 0],
      [2, 0.25],
      [3, 0.35],
    ]) {
      const random = seededRandom(number + times)
      const sound = Float32Array.from({ length: 5 * rateHz }, () => 0.001 * random.normal())
      for (let k = 0; k < times; k++) {
        const at = Math.round((1 + k * gap) * rateHz)
        for (let i = 0; i < samples.length && at + i < sound.length; i++) sound[at + i] += 0.4 * samples[i]
      }
      expect(countsOf(sound, rateHz)).toEqual([times])
    }
  },
)

test('talk is no answer, nor are knocks in the middle of it', () => {
  for (let seed = 1; seed <= times(2, 6); seed++) {
    const { samples, rateHz } = makeNotATap('speech', seed)
    const sound = new Float32Array(samples.length + 2 * rateHz)
    sound.set(samples, rateHz / 2)
    expect(countsOf(sound, rateHz)).toEqual([])
    const knocks = knocksAt([1.2, 1.5], 3, 0)
    if (rateHz === RATE_HZ) expect(countsOf(sound.map((x, i) => x + (knocks[i] ?? 0)))).toEqual([])
  }
})
