import { LONG } from '@ref/long'
import { practiceHead } from '../practice/drum'
import { playTap } from '../practice/tap'
import { seededRandom } from '../numeric/random'
import { centsBetween } from '../units/pitch'
import { Listener } from './listener'
import { combineReadings } from './combine'

const RATE_HZ = 22_050

function walk(lugs: number): { samples: Float32Array; truth: number[] } {
  const head = practiceHead(
    {
      ...{ seedText: 'walk', diameterInches: 14, depthInches: 5.5, lugs: 8, hoop: 'triple-flanged' as const },
      ...{ threadPitchMm: 1.058, pliesMils: [10], otherPliesMils: [3] },
    },
    { evenHz: 220, rods: [0.1, 0, -0.05, 0.02, 0.06, 0, -0.1, 0.04] },
    { lugHz: 370, muted: true },
  )
  const taps = Array.from({ length: lugs }, (_, i) =>
    playTap(head, {
      lug: i + 1,
      rateHz: RATE_HZ,
      seed: i + 1,
      noiseDb: -48,
      finger: true,
      seconds: 1.6,
      leadSeconds: 0.3,
    }),
  )
  const samples = new Float32Array(taps.reduce((sum, tap) => sum + tap.samples.length, 0))
  let at = 0
  for (const tap of taps) {
    samples.set(tap.samples, at)
    at += tap.samples.length
  }
  return { samples, truth: taps[0].truth.lugHz.slice(0, lugs) }
}

test('a walk around the drum, in blocks of any size, gives every lug once and in order', () => {
  const { samples, truth } = walk(4)
  const listener = new Listener(RATE_HZ, { diameterInches: 14, expectHz: 220, expectCents: 200 })
  const heard = []
  for (let at = 0, block = 700; at < samples.length; at += block, block = block === 700 ? 2048 : 700) {
    heard.push(...listener.push(samples.slice(at, at + block)).taps)
  }
  expect(heard.map(({ tap }) => tap.verdict)).toEqual(['ok', 'ok', 'ok', 'ok'])
  heard.forEach(({ tap }, i) => expect(Math.abs(centsBetween(truth[i], tap.hz!))).toBeLessThan(10))
})

/** Taps of a practice drum, so many seconds apart, the first after a while of noise. */
function strokes(apart: number[], rateHz = RATE_HZ, firstSeconds = 0.5) {
  const head = practiceHead(
    {
      ...{ seedText: 'row', diameterInches: 12, depthInches: 8, lugs: 6, hoop: 'triple-flanged' as const },
      ...{ threadPitchMm: 1.058, pliesMils: [7, 7], otherPliesMils: [7] },
    },
    { evenHz: 190, rods: [0, 0, 0, 0, 0, 0] },
    { lugHz: 300, muted: true },
  )
  const times = apart.reduce((all, each) => [...all, all.at(-1)! + each], [firstSeconds])
  const samples = new Float32Array(Math.round((times.at(-1)! + 1.9) * rateHz))
  const random = seededRandom(3)
  for (let i = 0; i < samples.length; i++) samples[i] = 3e-4 * random.normal()
  times.forEach((seconds, i) => {
    const tap = playTap(head, {
      lug: 1 + (i % 6),
      rateHz,
      seed: 40 + i,
      noiseDb: -90,
      finger: true,
      seconds: 1.8,
      leadSeconds: 0,
    })
    const at = Math.round(seconds * rateHz)
    for (let k = 0; k < tap.samples.length && at + k < samples.length; k++) samples[at + k] += tap.samples[k]
  })
  return { samples, times }
}

function listenTo(samples: Float32Array, rateHz: number, block: number) {
  const listener = new Listener(rateHz, { diameterInches: 12, expectHz: 190, expectCents: 200 })
  const taps = []
  for (let at = 0; at < samples.length; at += block)
    taps.push(...listener.push(samples.slice(at, at + block)).taps)
  return taps
}

test('the same sound gives the same taps in blocks of any size', () => {
  const { samples } = strokes([1.4, 0.9, 1.7])
  const said = (LONG ? [128, 1000, 4096, samples.length] : [128, samples.length]).map((block) =>
    listenTo(samples, RATE_HZ, block).map(({ tap }) => [tap.verdict, tap.hz, tap.atSeconds]),
  )
  expect(said[0].length).toBe(4)
  for (const other of said.slice(1)) expect(other).toEqual(said[0])
})

test('wherever in the stream a stroke falls it is heard', () => {
  const count = LONG ? 24 : 6
  for (let i = 0; i < count; i++) {
    const { samples, times } = strokes([], RATE_HZ, 0.5 + (0.12 * i) / count)
    const taps = listenTo(samples, RATE_HZ, 2048)
    expect(taps.map(({ tap }) => tap.verdict)).toEqual(['ok'])
    expect(Math.abs(taps[0].tap.atSeconds - times[0])).toBeLessThan(0.015)
  }
})

test.each([
  ['1.0 s', 1],
  ['0.8 s', 0.8],
  ['0.65 s', 0.65],
])('strokes %s apart are all heard, each with the one before it named', (_name, apart) => {
  const { samples, times } = strokes([apart, apart, apart])
  const taps = listenTo(samples, RATE_HZ, 1024)
  expect(taps.length).toBe(4)
  taps.forEach(({ tap, afterSeconds }, i) => {
    expect(Math.abs(tap.atSeconds - times[i])).toBeLessThan(0.02)
    if (i > 0) expect(afterSeconds).toBeCloseTo(apart, 1)
    else expect(afterSeconds).toBeNull()
  })
  expect(
    taps.filter(({ tap }) => tap.hz !== null && Math.abs(centsBetween(190, tap.hz)) < 25).length,
  ).toBeGreaterThanOrEqual(3)
})

test('a stick that bounces is one stroke, and what comes after it is heard all the same', () => {
  const { samples, times } = strokes([0.12, 0.9])
  const taps = listenTo(samples, RATE_HZ, 1024)
  expect(taps.map(({ tap }) => Math.round(10 * tap.atSeconds))).toEqual(
    [times[0], times[2]].map((at) => Math.round(10 * at)),
  )
  expect(taps[0].againSeconds).toBeCloseTo(0.12, 1)
})

test.each([16_000, 44_100, 48_000])('the same taps at %d samples a second', (rateHz) => {
  const { samples, times } = strokes([1.5, 1.1], rateHz)
  const taps = listenTo(samples, rateHz, 512)
  expect(taps.map(({ tap }) => tap.verdict)).toEqual(['ok', 'ok', 'ok'])
  taps.forEach(({ tap }, i) => expect(Math.abs(tap.atSeconds - times[i])).toBeLessThan(0.02))
})

test('silence is never a tap, however long', () => {
  const listener = new Listener(RATE_HZ)
  for (let i = 0; i < 200; i++) expect(listener.push(new Float32Array(2048)).taps).toEqual([])
})

describe('repeated taps of a lug', () => {
  const reading = (hz: number, standardErrorHz = 0.05) => ({ hz, standardErrorHz })

  test('none is nothing, one is itself', () => {
    expect(combineReadings([])).toBeNull()
    expect(combineReadings([reading(200)])!.hz).toBeCloseTo(200, 9)
  })

  test('more taps are surer than one, and an outlier is left out', () => {
    const three = combineReadings([reading(200), reading(200.05), reading(199.97)])!
    expect(three.standardErrorHz).toBeLessThan(combineReadings([reading(200)])!.standardErrorHz)
    const slipped = combineReadings([reading(200), reading(283), reading(200.05), reading(199.97)])!
    expect(slipped.leftOut).toEqual([1])
    expect(slipped.hz).toBeCloseTo(three.hz, 6)
  })

  test('the newest stands where it contradicts an older one, and is combined where it does not', () => {
    const two = combineReadings([reading(200), reading(203)])!
    expect(two).toMatchObject({ used: [1], leftOut: [0], hz: 203 })
    const alike = combineReadings([reading(200), reading(200.1)])!
    expect(alike.used).toEqual([0, 1])
    expect(alike.hz).toBeCloseTo(200.05, 2)
  })
})

test('what the device plays itself is no tap: the ear is deaf for as long as it says, however far behind it is', () => {
  const tick = (at: number) =>
    Float32Array.from({ length: RATE_HZ }, (_, i) => {
      const t = i / RATE_HZ - at
      return t >= 0 && t < 0.03 ? 0.1 * Math.sin(2 * Math.PI * 1900 * t) : 0
    })
  const heard = (deafBehind: number | null) => {
    const listener = new Listener(RATE_HZ)
    listener.push(new Float32Array(RATE_HZ))
    if (deafBehind !== null) listener.deafen(0.45, deafBehind * RATE_HZ)
    const taps = []
    for (const sound of [tick(0.1), new Float32Array(RATE_HZ), tick(0.1), new Float32Array(2 * RATE_HZ)]) {
      for (let at = 0; at < sound.length; at += 1024)
        taps.push(...listener.push(sound.slice(at, at + 1024)).taps)
    }
    return taps.map(({ tap }) => Math.round(10 * tap.atSeconds) / 10)
  }
  expect(heard(null)).toEqual([1.1, 3.1])
  expect(heard(0)).toEqual([3.1])
  expect(heard(2)).toEqual([1.1])
})
