import { seededRandom } from '../numeric/random'
import { ringingBefore } from './before'
import { objection } from './plausible'
import { bandFor, cutTail, WIDE_BAND, type Tail } from './tail'
import { trebleOf, type Treble } from './treble'
import type { Mode } from './types'

const RATE_HZ = 48_000
const mode = (hz: number, decaySeconds = 0.2, levelDb = 0): Mode => ({
  ...{ hz, decaySeconds, levelDb },
  standardErrorHz: 0.02,
})

/** Half a second of quiet, then a stroke that rings as `ring` says. */
function sound(ring: (t: number) => number, quiet: (t: number) => number = () => 0): Float32Array {
  const random = seededRandom(8)
  return Float32Array.from({ length: 1.8 * RATE_HZ }, (_, i) => {
    const t = i / RATE_HZ - 0.5
    return 1e-4 * random.normal() + quiet(t) + (t < 0 ? 0 : ring(t))
  })
}
const tailOf = (samples: Float32Array): Tail => cutTail(samples, RATE_HZ, 0.5 * RATE_HZ, samples.length)!
const damped = (hz: number, decay: number) => (t: number) =>
  0.4 * Math.exp(-t / decay) * Math.sin(2 * Math.PI * hz * t)

/** No treble at all: nothing is known of how the sound began. */
const NONE: Treble = { rattle: 0, click: 1, rose: 1 }
const judge = (samples: Float32Array, modes: Mode[], treble = NONE, explained = 0.9) =>
  objection(
    tailOf(samples),
    treble,
    { poles: [modes[0]], read: [modes[0]], hz: modes[0].hz, odds: 1 },
    modes,
    explained,
  )

describe('what speaks against a reading', () => {
  const tap = sound(damped(231, 0.2))

  test('nothing, where a head rings as heads do', () => {
    expect(judge(tap, [mode(231), mode(312, 0.15, -4), mode(395, 0.12, -8)])).toBeNull()
  })

  test('too few cycles: a thud when low, a choked head when not; and no head is under 33 Hz', () => {
    expect(judge(tap, [mode(60, 0.05)])).toBe('thud')
    expect(judge(tap, [mode(231, 0.02)])).toBe('choked')
    expect(judge(tap, [mode(28, 0.6)])).toBe('thud')
  })

  test('whole multiples and chords are no head’s, an inharmonic head is', () => {
    const string = (decay: number) => [1, 2, 3, 4].map((n) => mode(110 * n, decay, -3 * (n - 1)))
    expect(judge(tap, string(0.4))).toBe('tone')
    const chord = [130, 164, 195].flatMap((hz) => [mode(hz, 0.4), mode(2 * hz, 0.3, -6)])
    expect(judge(tap, chord)).toBe('tone')
    // Half of a string's tones within 65 cycles die as a head's do.
    expect(judge(tap, string(0.12))).toBeNull()
  })

  test('a head that moves much air rings near 3 : 4 : 5 : 6 and is a head all the same', () => {
    const head = [
      [199.6, 0.21],
      [266.2, 0.14],
      [333.9, 0.14],
      [400.3, 0.09],
    ].map(([hz, decay], i) => mode(hz, decay, -3 * i))
    expect(judge(tap, head)).toBeNull()
  })

  test('a low drum with little ring: a thud, unless every bit of it is known to be a tone', () => {
    const low = [mode(52.2, 0.11)]
    expect(judge(tap, low, NONE, 0.9)).toBe('thud')
    expect(judge(tap, low, NONE, 0.98)).toBeNull()
    expect(judge(tap, [mode(52.2, 0.08)], NONE, 0.98)).toBe('thud')
  })

  test('what swells was not struck, unless two known tones beat', () => {
    const swell = sound((t) => Math.min(1, t / 0.2) * damped(231, 0.6)(t))
    expect(judge(swell, [mode(231, 0.6)])).toBe('not-struck')
    expect(judge(swell, [mode(231, 0.6), mode(234, 0.6, -1)], NONE, 0.995)).toBeNull()
    expect(judge(tap, [mode(231, 5)])).toBe('not-struck')
  })

  test('treble that goes on after the click is the wires', () => {
    const random = seededRandom(4)
    const wires = sound((t) => damped(190, 0.15)(t) + 0.25 * Math.exp(-t / 0.15) * random.normal())
    const heard = trebleOf(wires, RATE_HZ, 0.5 * RATE_HZ, wires.length)
    expect(judge(wires, [mode(190, 0.15)], heard)).toBe('wires')
    expect(trebleOf(tap, RATE_HZ, 0.5 * RATE_HZ, tap.length).rattle).toBeLessThan(0.005)
  })

  test('how it begins tells a string or a voice from a head: a click that dies at once, or treble that goes on', () => {
    const random = seededRandom(5)
    const modes = [mode(110, 0.4), mode(220, 0.3, -3), mode(330, 0.3, -6)]
    const begun = (treble: (t: number) => number) => {
      const samples = sound((t) => damped(110, 0.4)(t) + treble(t) * random.normal())
      return judge(samples, modes, trebleOf(samples, RATE_HZ, 0.5 * RATE_HZ, samples.length))
    }
    expect(begun((t) => 0.1 * Math.exp(-t / 0.004))).toBeNull()
    expect(begun(() => 0.003)).toBe('tone')
    // Neither is heard: then what its tones are to each other decides.
    expect(judge(tap, modes)).toBe('tone')
    expect(judge(tap, [mode(231), mode(312, 9, -3)])).toBe('not-struck')
  })
})

test('a line that rang before and goes on is found; one that was struck is not', () => {
  const hum = (t: number) => 0.05 * Math.sin(2 * Math.PI * 150 * t)
  const [tone] = ringingBefore(tailOf(sound(damped(231, 0.2), hum)))
  expect(tone.hz).toBeCloseTo(150, 0)
  expect(ringingBefore(tailOf(sound(damped(231, 0.2))))).toEqual([])
})

test('a tone of the same head that still rings is struck anew when it comes back louder than it had left', () => {
  // The stroke before was half as loud again and came 0.9 s earlier, in step: less than half of the new one is left of it.
  const earlier = (t: number) => 1.5 * damped(114, 0.4)(t + 103 / 114)
  expect(ringingBefore(tailOf(sound(damped(114, 0.4), earlier)))).toEqual([])
})

test('a line heard before is no noise: the tail is as long, and its noise as small, as without it', () => {
  const other = (t: number) => 0.06 * Math.sin(2 * Math.PI * 262 * t)
  const quiet = tailOf(sound(damped(231, 0.25)))
  const beside = tailOf(sound(damped(231, 0.25), other))
  expect(quiet.lines).toEqual([])
  expect(beside.lines.map(({ hz }) => Math.round(hz))).toEqual([262])
  expect(beside.lines[0].amplitude).toBeCloseTo(0.06, 2)
  // Of the line's own power next to nothing is left.
  expect(beside.noisePower).toBeLessThan(2e-4 * 0.06 ** 2)
  expect(beside.samples.length).toBeGreaterThanOrEqual(quiet.samples.length)
  // What stands out of the room still counts the line as room.
  expect(beside.snrDb).toBeLessThan(quiet.snrDb - 20)
})

test('low drums are measured in a narrow band, others in the wide one, and an expectation widens it', () => {
  const low = tailOf(sound(damped(66, 0.5)))
  expect(bandFor(low).endHz).toBe(250)
  expect(bandFor(low, 300).endHz).toBe(400)
  expect(bandFor(tailOf(sound((t) => damped(231, 0.2)(t) + damped(520, 0.2)(t))))).toBe(WIDE_BAND)
})
