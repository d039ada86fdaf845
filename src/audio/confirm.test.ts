import { LONG } from '@ref/long'
import { sonic } from '@ref/recordings'
import { Listener, type MeasuredTap } from '@/core/measurement/listener'
import { seededRandom } from '@/core/numeric/random'
import { LOW_HZ, TICK_HZ } from './confirm'

// A recorded tom of sonic-pi-samples; the device's own tones as its microphone would hear them, 20 dB under the tap's peak.
const { samples: tom, rateHz } = sonic('drum_tom_mid_soft')

/** Seconds from the first stroke's place: it has been measured by then, however long a ring is waited for. */
const SECOND = 3

function hear(tones: ReadonlyArray<{ hz: number; at: number; seconds: number }>): MeasuredTap[] {
  const random = seededRandom(7)
  const sound = Float32Array.from({ length: 5.5 * rateHz }, () => 0.001 * random.normal())
  // A stroke with the hand on the head, which is refused, and behind it one that rings.
  tom.forEach((x, i) => (sound[rateHz + i] += x * Math.exp(-i / rateHz / 0.02)))
  tom.forEach((x, i) => (sound[SECOND * rateHz + i] += x))
  for (const { hz, at, seconds } of tones)
    for (let t = 0; t < seconds; t += 1 / rateHz) {
      const swell = Math.min(1, t / 0.004, (seconds - t) / 0.02)
      sound[Math.round((at + t) * rateHz)] += 0.1 * swell * Math.sin(2 * Math.PI * hz * t)
    }
  const listener = new Listener(rateHz)
  const taps: MeasuredTap[] = []
  let told = false
  for (let at = 0; at < sound.length; at += 1024) {
    taps.push(...listener.push(sound.slice(at, at + 1024)).taps)
    if (!told && tones.length > 0 && (at + 1024) / rateHz > tones[0].at - 0.03) {
      told = true
      listener.deafen(0.6, 0, true)
    }
  }
  return taps
}

const [refused, read] = hear([])

const TONES: Array<[name: string, hz: number, times: number[]]> = [
  ['two low tones over it', LOW_HZ, [2.95, 3.1]],
  ['a tick in its ring', TICK_HZ, [3.2]],
  ['two low tones just before it', LOW_HZ, [2.8, 2.95]],
  ['two low tones in its ring', LOW_HZ, [3.1, 3.25]],
  ['a tick before it', TICK_HZ, [2.9]],
]
test.each(TONES.slice(0, LONG ? 5 : 3))(
  'the tap behind a refused one is read as if nothing had sounded: %s',
  (_name, hz, times) => {
    expect(refused.tap.hz).toBeNull()
    const beside = hear(times.map((at) => ({ hz, at, seconds: 0.09 })))
    expect(beside.map(({ tap }) => Math.round(tap.atSeconds))).toEqual([1, SECOND])
    // Within what one tap of this drum, which glides, is known to.
    expect(Math.abs(1200 * Math.log2(beside[1].tap.hz! / read.tap.hz!))).toBeLessThan(4)
  },
)
