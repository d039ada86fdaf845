import { execFileSync } from 'node:child_process'
import { mkdtempSync, readFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { seededRandom, type Random } from '@/core/numeric/random'
import { decodeWav, toMono } from '@/core/sound/wav'
import { db, fontOf, peakOf, put, sonic, type Sound } from '../reference/recordings'

/**
 * Recorded toms of two Debian packages (avldrums.lv2-soundfont, sonic-pi-samples) on a stage: what else sounds there is
 * mixed in, its peak at a level against the tap's peak; noise at its rms. Speech is espeak-ng's.
 */
export const STAGE_RATE_HZ = 44_100

/** One recorded head: strikes near its rim, in layers, and what is struck beside it. */
export interface RecordedHead {
  name: string
  inches: number
  layers: readonly Sound[]
  /** Another tom, a hat, a kick, for what sounds between. */
  other: Sound
  hat: Sound
  kick: Sound
}

export function recordedHeads(): RecordedHead[] {
  const [one, two] = [fontOf(0), fontOf(1)]
  const beside = { hat: one[52], kick: one[2] }
  const some = (font: readonly Sound[], numbers: number[]) => numbers.map((number) => font[number])
  return [
    { name: 'font 1, 12 in', inches: 12, layers: some(one, [55, 56, 57, 58]), other: one[26], ...beside },
    { name: 'font 1, 16 in', inches: 16, layers: some(one, [36, 37, 38, 39]), other: two[47], ...beside },
    { name: 'font 2, 16 in', inches: 16, layers: some(two, [36, 37, 38]), other: two[47], ...beside },
    { name: 'font 2, 14 in', inches: 14, layers: some(two, [55, 56, 57, 58]), other: two[26], ...beside },
    ...(['hi', 'mid', 'lo'] as const).map((which, i) => ({
      name: `sonic ${which}`,
      inches: [10, 12, 14][i],
      layers: [sonic(`drum_tom_${which}_soft`)],
      other: one[[26, 26, 46][i]],
      ...beside,
    })),
  ]
}

/** Where the taps fall and how loud they are, for what is added to them. */
export interface Scene {
  peak: number
  times: readonly number[]
  head: RecordedHead
  random: Random
}

export interface Stage {
  name: string
  /** Seconds from tap to tap. */
  apart: number
  add?: (sound: Float32Array, scene: Scene) => void
  clipDb?: number
}

const noise =
  (level: number): Stage['add'] =>
  (sound, { peak, random }) => {
    for (let i = 0; i < sound.length; i++) sound[i] += peak * db(level) * random.normal()
  }

const played =
  (what: () => Float32Array, level: number): Stage['add'] =>
  (sound, { peak }) => {
    const samples = what()
    for (let at = 0; at < sound.length; at += samples.length)
      put(sound, samples, at, (peak * db(level)) / peakOf(samples))
  }

const between =
  (which: 'other' | 'hat' | 'kick', level: number): Stage['add'] =>
  (sound, { peak, times, head }) => {
    const { samples } = head[which]
    for (const time of times)
      put(sound, samples, Math.round((time + 0.8) * STAGE_RATE_HZ), (peak * db(level)) / peakOf(samples))
  }

export const loop = () => sonic('loop_amen').samples

const TEXT =
  'Well, the second set starts at nine, and somebody left the cases in the corridor again. Can you bring the other stand over here, ' +
  'please? No, the long one. We need a bit more of the guitar in the left wedge, and less of everything else, thank you.'

let said: Float32Array | null = null
export function speech(): Float32Array {
  if (said) return said
  const file = join(mkdtempSync(join(tmpdir(), 'talk-')), 'talk.wav')
  execFileSync('espeak-ng', ['-w', file, TEXT])
  const wav = decodeWav(readFileSync(file))
  if (!wav.ok) throw new Error(wav.why)
  const samples = toMono(wav.sound)
  const step = wav.sound.rateHz / STAGE_RATE_HZ
  said = Float32Array.from({ length: Math.floor(samples.length / step) }, (_, i) => {
    const at = Math.floor(i * step)
    return samples[at] + (i * step - at) * ((samples[at + 1] ?? 0) - samples[at])
  })
  return said
}

/** A hall: noise that dies by 60 dB in 1.5 s, a quarter of the direct sound's energy in all, 20 ms behind it. */
const hall: Stage['add'] = (sound, { random }) => {
  const tau = 1.5 / 6.91
  const paths = Array.from({ length: 400 }, () => {
    const seconds = 0.02 + 1.2 * random.uniform()
    return { at: Math.round(seconds * STAGE_RATE_HZ), gain: random.normal() * Math.exp(-seconds / tau) }
  })
  const power = paths.reduce((sum, { gain }) => sum + gain ** 2, 0)
  const dry = sound.slice()
  for (const { at, gain } of paths) put(sound, dry, at, (0.5 * gain) / Math.sqrt(power))
}

const hum: Stage['add'] = (sound, { peak }) => {
  const parts = [1, 0.5, 0.4]
  const all = parts.reduce((sum, part) => sum + part, 0)
  for (let i = 0; i < sound.length; i++)
    parts.forEach((part, n) => {
      sound[i] += ((peak * db(-30) * part) / all) * Math.sin((2 * Math.PI * 50 * (n + 1) * i) / STAGE_RATE_HZ)
    })
}

/** The stages, with what of all taps is to be read right and on its own lug, in per cent. */
export const STAGES: Array<Stage & { aim: number }> = [
  { name: 'quiet', apart: 1.9, aim: 98 },
  { name: 'noise -40 dB', apart: 1.9, add: noise(-40), aim: 95 },
  { name: 'noise -30 dB', apart: 1.9, add: noise(-30), aim: 95 },
  { name: 'noise -20 dB', apart: 1.9, add: noise(-20), aim: 60 },
  { name: 'talk -20 dB', apart: 1.9, add: played(speech, -20), aim: 80 },
  { name: 'talk -12 dB', apart: 1.9, add: played(speech, -12), aim: 50 },
  { name: 'loop -25 dB', apart: 1.9, add: played(loop, -25), aim: 80 },
  { name: 'loop -15 dB', apart: 1.9, add: played(loop, -15), aim: 50 },
  { name: 'another tom between', apart: 1.9, add: between('other', 0), aim: 95 },
  { name: 'a kick between', apart: 1.9, add: between('kick', 0), aim: 95 },
  { name: 'a hat between, -12 dB', apart: 1.9, add: between('hat', -12), aim: 80 },
  { name: '1.0 s apart', apart: 1, aim: 95 },
  { name: '0.6 s apart', apart: 0.6, aim: 60 },
  { name: 'hall', apart: 1.9, add: hall, aim: 60 },
  { name: 'clipped by 6 dB', apart: 1.9, clipDb: 6, aim: 80 },
  { name: 'hum -30 dB', apart: 1.9, add: hum, aim: 95 },
]

const TAP_PEAK = 0.4
const FIRST_SECONDS = 1
const AFTER_SECONDS = 3
/** The recorder's own noise. */
const FLOOR = 2e-5

/** A walk round a head, so many taps, on a stage. */
export function walkOnStage(stage: Stage, head: RecordedHead, taps: number, seed: number) {
  const random = seededRandom(seed)
  const times = Array.from({ length: taps }, (_, i) => FIRST_SECONDS + i * stage.apart)
  const sound = new Float32Array(Math.round((times.at(-1)! + AFTER_SECONDS) * STAGE_RATE_HZ))
  times.forEach((time, i) => {
    const { samples } = head.layers[i % head.layers.length]
    put(sound, samples, Math.round(time * STAGE_RATE_HZ), TAP_PEAK / peakOf(samples))
  })
  stage.add?.(sound, { peak: TAP_PEAK, times, head, random })
  const rail = stage.clipDb ? TAP_PEAK * db(-stage.clipDb) : Infinity
  for (let i = 0; i < sound.length; i++)
    sound[i] = Math.max(-rail, Math.min(rail, sound[i] + FLOOR * random.normal()))
  return { sound, times }
}
