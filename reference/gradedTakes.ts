import type { MeasureOptions } from '@/core/measurement/types'
import { seededRandom } from '@/core/numeric/random'
import { highPass } from '@/core/numeric/filters'
import { makeNotATap, NOT_A_TAP } from './notTaps'
import { db, fontOf, peakOf, put, sonic, type Sound } from './recordings'

/**
 * Recorded toms of two Debian packages (avldrums.lv2-soundfont, sonic-pi-samples), each troubled by one thing in growing
 * steps until it can no longer be read: wherever a limit of the measuring lies, one of the steps lies near it.
 */
export interface GradedTake {
  name: string
  samples: Float32Array
  rateHz: number
  options: MeasureOptions
}

interface Head extends Sound {
  name: string
  inches: number
}

const RATE_HZ = 44_100
const LEAD_SECONDS = 0.5

/** Toms and kicks of both fonts as they are: soft to hard, at the centre and near the rim. */
export function plainTakes(): GradedTake[] {
  const numbers = [2, 12, 25, 29, 37, 39, 47, 49, 56, 59]
  return [fontOf(0), fontOf(1)].flatMap((font, i) =>
    numbers.map((n) => ({
      name: `font ${i + 1}, ${n}`,
      ...{ samples: font[n].samples, rateHz: font[n].rateHz, options: {} },
    })),
  )
}

function gradedHeads(): Head[] {
  const [one, two] = [fontOf(0), fontOf(1)]
  const head = (name: string, { samples, rateHz }: Sound, inches: number) => ({
    ...{ name, samples, rateHz, inches },
  })
  return [
    head('12 in', one[55], 12),
    head('16 in', one[36], 16),
    head('low', sonic('drum_tom_lo_soft'), 14),
    head('14 in', two[55], 14),
  ]
}

const steps = (from: number, to: number, by: number) =>
  Array.from({ length: Math.round((to - from) / by) + 1 }, (_, i) => from + i * by)

type Trouble = (sound: Float32Array, step: number, head: Head) => Float32Array | void

const at = (seconds: number) => Math.round(seconds * RATE_HZ)

const TROUBLES: ReadonlyArray<readonly [name: string, steps: readonly number[], trouble: Trouble]> = [
  ['noise, dB', steps(-50, -8, 7), (sound, level) => noiseInto(sound, db(level))],
  ['hum of 100 Hz, dB', steps(-44, -12, 8), (sound, level) => tone(sound, 100, db(level), 0, Infinity)],
  ['a tone that dies, dB', steps(-34, -7, 9), (sound, level) => tone(sound, 131, db(level), 0.05, 0.6)],
  [
    'the same stroke before, s',
    [0.1, 0.2, 0.33, 0.38, 0.45],
    (sound, seconds, { samples }) => put(sound, samples, at(LEAD_SECONDS - seconds), 0.9),
  ],
  [
    'a second stroke, dB',
    steps(-26, -2, 8),
    (sound, level, { samples }) => put(sound, samples, at(LEAD_SECONDS + 0.2), db(level)),
  ],
  ['turned up until it clips, dB', [3, 6, 10, 18], (sound, level) => sound.map((x) => limit(x * db(level)))],
  ['cut, s', [0.08, 0.13, 0.2, 0.28, 0.36, 0.6], (sound, s) => sound.slice(0, at(LEAD_SECONDS + s))],
  [
    'cut at the stroke, noise, dB',
    [-24, -14, -8, -4],
    (sound, level) => {
      noiseInto(sound, db(level))
      return sound.slice(at(LEAD_SECONDS))
    },
  ],
  ['choked, s', [0.012, 0.02, 0.03, 0.05, 0.15], (sound, tau) => fade(sound, (t) => Math.exp(-t / tau))],
  ['swelling, s', [0.02, 0.06, 0.15], (sound, s) => fade(sound, (t) => Math.min(1, t / s))],
  ['rattle, dB', [-26, -18, -14], (sound, level) => rattle(sound, db(level))],
  ['no click, Hz', [500], (sound, hz) => withoutTreble(sound, hz)],
  ['tremolo, Hz', [1, 3.5, 8], (sound, hz) => fade(sound, (t) => Math.cos(Math.PI * hz * t) ** 2)],
]

const limit = (x: number) => Math.max(-1, Math.min(1, x))

function noiseInto(sound: Float32Array, rms: number): void {
  const random = seededRandom(11)
  for (let i = 0; i < sound.length; i++) sound[i] += rms * random.normal()
}

function tone(sound: Float32Array, hz: number, gain: number, from: number, decaySeconds: number): void {
  for (let i = at(from); i < sound.length; i++) {
    const t = i / RATE_HZ - from
    sound[i] += gain * Math.exp(-t / decaySeconds) * Math.sin(2 * Math.PI * hz * t)
  }
}

function fade(sound: Float32Array, gain: (seconds: number) => number): void {
  for (let i = at(LEAD_SECONDS); i < sound.length; i++) sound[i] *= gain(i / RATE_HZ - LEAD_SECONDS)
}

function rattle(sound: Float32Array, gain: number): void {
  const random = seededRandom(12)
  const hiss = highPass(
    Float64Array.from(sound, () => random.normal()),
    RATE_HZ,
    2500,
  )
  for (let i = at(LEAD_SECONDS); i < sound.length; i++)
    sound[i] += gain * hiss[i] * Math.exp(-(i / RATE_HZ - LEAD_SECONDS) / 0.12)
}

function withoutTreble(sound: Float32Array, hz: number): void {
  const high = highPass(sound, RATE_HZ, hz)
  for (let i = 0; i < sound.length; i++) sound[i] -= high[i]
}

/** Each head under each trouble; peak 0.7, half a second of a quiet room before the stroke. */
export function gradedTakes(): GradedTake[] {
  return gradedHeads()
    .slice(0, 3)
    .flatMap((head) => [
      ...TROUBLES.flatMap(([trouble, all, make]) =>
        all.map((step): GradedTake => {
          const sound = inQuiet(head)
          const name = `${head.name}, ${trouble} ${step}`
          return {
            name,
            samples: make(sound, step, head) ?? sound,
            rateHz: RATE_HZ,
            options: { diameterInches: head.inches },
          }
        }),
      ),
      ...asked(head).map(([name, options]): GradedTake => ({
        ...{ name: `${head.name}, ${name}`, samples: inQuiet(head), rateHz: RATE_HZ, options },
      })),
    ])
}

function inQuiet({ samples }: Head): Float32Array {
  const sound = new Float32Array(at(2.2))
  noiseInto(sound, 2e-4)
  put(sound, samples, at(LEAD_SECONDS), 0.7 / peakOf(samples))
  return sound
}

/** The same sound, asked in other ways. */
function asked({ inches }: Head): Array<[name: string, options: MeasureOptions]> {
  return [
    ...[0.6, 1.6].map((by): [string, MeasureOptions] => [
      `as ${by} of its size`,
      { diameterInches: by * inches },
    ]),
    ...[70, 115, 160, 280].map((hz): [string, MeasureOptions] => [`${hz} Hz expected`, { expectHz: hz }]),
    ['standing microphone', { mic: 'standing', diameterInches: inches }],
    ['microphone with the tap', { mic: 'with-tap', diameterInches: inches }],
    ['centre', { tap: 'centre', diameterInches: inches }],
    ['band', { bandHz: [150, 260] }],
  ]
}

/** Sounds of a room in which nobody taps. */
export function untapped(): GradedTake[] {
  return NOT_A_TAP.flatMap((kind) =>
    [1, 2].map((seed) => ({ name: `${kind} ${seed}`, ...makeNotATap(kind, seed), options: {} })),
  )
}

/** A hand at work: taps of a head at growing pace and changing strength, with what else sounds between. */
export function streams(): Array<{ name: string; sound: Float32Array; rateHz: number; inches: number }> {
  const heads = gradedHeads()
  const hat = fontOf(0)[52].samples
  return heads.slice(0, 2).flatMap((head, k) => {
    const other = heads[(k + 1) % heads.length].samples
    const times = [0.6, 2.4, 3.9, 5.1, 6.05, 6.8, 7.4, 7.85]
    const strengths = [0.5, 0.7, 0.3, 0.6, 0.2, 0.5, 0.12, 0.6]
    const plain = new Float32Array(at(9.5))
    noiseInto(plain, 4e-4)
    times.forEach((time, i) => put(plain, head.samples, at(time), strengths[i]))
    const busy = plain.slice()
    ;[0.15, 0.4, 0.9, 1.5, 2.9].forEach((after, i) => put(busy, hat, at(times[i] + after), 0.5 - 0.08 * i))
    ;[1.5, 3.2, 4.5].forEach((time, i) => put(busy, other, at(time), 0.6 / (1 + i)))
    return [
      { name: `${head.name} alone`, sound: plain },
      { name: `${head.name} among others`, sound: busy },
    ].map((stream) => ({ ...stream, rateHz: RATE_HZ, inches: head.inches }))
  })
}
