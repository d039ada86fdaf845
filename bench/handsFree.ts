import { execFileSync } from 'node:child_process'
import { readFileSync } from 'node:fs'
import { measureSound } from '@/core/measurement/measure'
import { seededRandom } from '@/core/numeric/random'
import { decodeWav, toMono } from '@/core/sound/wav'
import { centsBetween } from '@/core/units/pitch'
import { hearRecording, type HeardEvent } from '@/session/hearRecording'
import { readSoundFont, type FontSample } from '../reference/soundFont'
import { printTable } from './stats'

/**
 * Hands free on recorded toms of the two Debian packages (avldrums.lv2-soundfont, sonic-pi-samples) with what a stage adds:
 * each tap is to be read right (within 10 cents of what the recording alone gives) and on its own lug. The head has a target
 * where it stands: which of a head's tones is its lug's, nobody has written down for these drums.
 */
const RATE_HZ = 44_100
const fontOf = (name: string) => readSoundFont(readFileSync(`/usr/share/sounds/sf2/${name}.sf2`))

/** One tom of each font, near the rim, layers that the ear reads alone. */
const TOMS: Array<{ font: string; numbers: number[]; inches: number; other: number; hat: number }> = [
  { font: 'Black_Pearl_4_LV2', numbers: [55, 56, 57, 58], inches: 12, other: 26, hat: 52 },
  { font: 'Red_Zeppelin_4_LV2', numbers: [25, 26, 27, 36, 37], inches: 16, other: 56, hat: 52 },
]
const TAPS = 12
const RIGHT_CENTS = 10

interface Stage {
  name: string
  apart: number
  add?: (
    sound: Float32Array,
    from: {
      peak: number
      times: number[]
      other: FontSample
      hat: FontSample
      random: ReturnType<typeof seededRandom>
    },
  ) => void
  clipDb?: number
}

const db = (value: number) => 10 ** (value / 20)
const put = (into: Float32Array, what: Float32Array, at: number, gain: number) => {
  for (let i = 0; i < what.length && at + i < into.length; i++) into[at + i] += gain * what[i]
}
const rmsOf = (samples: Float32Array) =>
  Math.sqrt(samples.reduce((sum, x) => sum + x * x, 0) / samples.length)
const peakOf = (samples: Float32Array) => samples.reduce((top, x) => Math.max(top, Math.abs(x)), 0)

const noise =
  (level: number): Stage['add'] =>
  (sound, { peak, random }) => {
    for (let i = 0; i < sound.length; i++) sound[i] += peak * db(level) * random.normal()
  }
const played =
  (samples: () => Float32Array, level: number): Stage['add'] =>
  (sound, { peak }) => {
    const what = samples()
    const gain = (peak * db(level)) / rmsOf(what)
    for (let at = 0; at < sound.length; at += what.length) put(sound, what, at, gain)
  }
const between =
  (which: 'other' | 'hat', level: number): Stage['add'] =>
  (sound, from) => {
    const { samples } = from[which]
    for (const time of from.times)
      put(sound, samples, Math.round((time + 0.8) * RATE_HZ), (from.peak * db(level)) / peakOf(samples))
  }

const loop = () => {
  const wav = decodeWav(
    execFileSync('flac', ['-dcs', '/usr/share/sonic-pi/samples/loop_amen.flac'], { maxBuffer: 1e9 }),
  )
  if (!wav.ok) throw new Error(wav.why)
  return toMono(wav.sound)
}

const STAGES: Stage[] = [
  { name: 'quiet', apart: 1.9 },
  { name: 'noise -40 dB', apart: 1.9, add: noise(-40) },
  { name: 'noise -30 dB', apart: 1.9, add: noise(-30) },
  { name: 'noise -20 dB', apart: 1.9, add: noise(-20) },
  { name: 'a loop at -25 dB', apart: 1.9, add: played(loop, -25) },
  { name: 'a loop at -15 dB', apart: 1.9, add: played(loop, -15) },
  { name: 'another tom between', apart: 1.9, add: between('other', 0) },
  { name: 'a hat between, -12 dB', apart: 1.9, add: between('hat', -12) },
  { name: '1.0 s apart', apart: 1 },
  { name: '0.6 s apart', apart: 0.6 },
  { name: 'clipped by 6 dB', apart: 1.9, clipDb: 6 },
  {
    name: 'hum at -30 dB',
    apart: 1.9,
    add: (sound, { peak }) => {
      for (let i = 0; i < sound.length; i++)
        for (const [n, part] of [
          [1, 1],
          [2, 0.5],
          [3, 0.4],
        ])
          sound[i] += peak * db(-30) * part * Math.sin((2 * Math.PI * 50 * n * i) / RATE_HZ)
    },
  },
]

export async function benchHandsFree(): Promise<void> {
  const rows: string[][] = []
  for (const stage of STAGES.filter(({ name }) => !process.env.ONLY || name.startsWith(process.env.ONLY))) {
    let right = 0
    let own = 0
    let wrong = 0
    let shown = 0
    for (const [t, tom] of TOMS.entries()) {
      const font = fontOf(tom.font)
      const random = seededRandom(7 + t)
      const layers = tom.numbers.map((number) => font[number])
      const truths = layers.map(
        ({ samples, rateHz }) => measureSound(samples, rateHz, { diameterInches: tom.inches })[0].hz!,
      )
      const times = Array.from({ length: TAPS }, (_, i) => 1 + i * stage.apart)
      const sound = new Float32Array(Math.round((times.at(-1)! + 3) * RATE_HZ))
      const peak = Math.min(...layers.map(({ samples }) => peakOf(samples)))
      times.forEach((time, i) => {
        const { samples } = layers[i % layers.length]
        put(sound, samples, Math.round(time * RATE_HZ), (0.4 * peak) / peakOf(samples) / peak)
      })
      stage.add?.(sound, { peak: 0.4, times, other: font[tom.other], hat: font[tom.hat], random })
      for (let i = 0; i < sound.length; i++) sound[i] += 2e-5 * random.normal()
      if (stage.clipDb)
        for (let i = 0; i < sound.length; i++)
          sound[i] = Math.max(-0.4 * db(-stage.clipDb), Math.min(0.4 * db(-stage.clipDb), sound[i]))
      const events: HeardEvent[] = []
      await hearRecording(
        sound,
        RATE_HZ,
        {
          diameterInches: tom.inches,
          lugs: TAPS,
          side: 'batter',
          expectHz: truths[0],
          order: 'around',
          block: 2048,
        },
        (event) => events.push(event),
      )
      if (process.env.SHOW)
        console.log(
          stage.name,
          tom.font,
          events
            .map((e) =>
              e.event === 'reading'
                ? `${e.at.toFixed(2)} L${e.lug} ${e.hz.toFixed(1)}`
                : `${e.at.toFixed(2)} ${e.verdict}: ${e.why.slice(0, 40)}`,
            )
            .join(' | '),
        )
      const readings = events.filter((event) => event.event === 'reading')
      shown += readings.length
      for (const reading of readings) {
        const i = times.findIndex((time) => Math.abs(time - reading.at) < 0.05)
        const good = i >= 0 && Math.abs(centsBetween(truths[i % layers.length], reading.hz)) < RIGHT_CENTS
        if (!good) wrong++
        else {
          right++
          if (reading.lug === i + 1) own++
        }
      }
    }
    rows.push([stage.name, String(TAPS * TOMS.length), String(right), String(own), `${wrong} of ${shown}`])
  }
  printTable(
    'Hands free on recorded toms: taps read right, and on their own lug',
    ['stage', 'taps', 'right', 'on its own lug', 'wrong or invented'],
    rows,
  )
}
