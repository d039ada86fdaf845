import { practiceHead } from '../practice/drum'
import { playTap } from '../practice/tap'
import { centsBetween } from '../units/pitch'
import { Listener } from './listener'
import { combineReadings } from './combine'

const RATE_HZ = 44_100

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
}, 30_000)

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
