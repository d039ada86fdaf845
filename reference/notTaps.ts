import { seededRandom, type Random } from '@/core/numeric/random'

/** Sounds of a room in which nobody taps a drum: whoever names one of them as a tap is wrong. */
export type NotATap = 'speech' | 'music' | 'noise' | 'hum'

export const NOT_A_TAP: readonly NotATap[] = ['speech', 'music', 'noise', 'hum']

const RATE_HZ = 44_100
const SECONDS = 3

export function makeNotATap(kind: NotATap, seed: number): { samples: Float32Array; rateHz: number } {
  const random = seededRandom(seed * 31 + NOT_A_TAP.indexOf(kind))
  const out = new Float64Array(SECONDS * RATE_HZ)
  if (kind === 'speech') speak(out, random)
  if (kind === 'music') play(out, random)
  if (kind === 'noise') rustle(out, random)
  if (kind === 'hum') hum(out, random)
  for (let i = 0; i < out.length; i++) out[i] += 3e-4 * random.normal()
  const peak = out.reduce((top, x) => Math.max(top, Math.abs(x)), 1e-9)
  return { samples: Float32Array.from(out, (x) => (0.3 * x) / peak), rateHz: RATE_HZ }
}

/** Syllables: a pulse train with a moving pitch through three formants (two-pole resonators), with breath between. */
function speak(out: Float64Array, random: Random): void {
  const base = 90 + 140 * random.uniform()
  let at = Math.round(0.2 * RATE_HZ)
  while (at < out.length) {
    const length = Math.round((0.12 + 0.25 * random.uniform()) * RATE_HZ)
    const formants = [
      300 + 500 * random.uniform(),
      900 + 1300 * random.uniform(),
      2300 + 700 * random.uniform(),
    ]
    const hiss = random.uniform() < 0.3
    const states = formants.map(() => [0, 0])
    let phase = 0
    for (let i = 0; i < length && at + i < out.length; i++) {
      const t = i / length
      phase += (base * (1.15 - 0.3 * t + 0.02 * Math.sin(40 * t))) / RATE_HZ
      const pulse = phase >= 1 ? 1 : 0
      phase -= pulse
      const source = hiss ? 0.15 * random.normal() : pulse + 0.01 * random.normal()
      const envelope = Math.min(1, t * 8, (1 - t) * 5)
      formants.forEach((hz, k) => {
        const r = Math.exp((-Math.PI * (60 + 40 * k)) / RATE_HZ)
        const y =
          source + 2 * r * Math.cos((2 * Math.PI * hz) / RATE_HZ) * states[k][0] - r * r * states[k][1]
        states[k] = [y, states[k][0]]
        out[at + i] += (envelope * y) / (1 + 2 * k)
      })
    }
    at += length + Math.round((random.uniform() < 0.3 ? 0.25 : 0.02) * RATE_HZ)
  }
}

/** Notes of harmonic tones: bowed, blown and plucked ones, alone and in chords. */
function play(out: Float64Array, random: Random): void {
  let at = Math.round(0.15 * RATE_HZ)
  while (at < out.length) {
    const length = Math.round((0.15 + 0.6 * random.uniform()) * RATE_HZ)
    const plucked = random.uniform() < 0.4
    const notes = 1 + Math.floor(3 * random.uniform())
    const root = 80 * 2 ** (2 * random.uniform())
    const attack = plucked ? 0.004 : 0.03 + 0.06 * random.uniform()
    for (let n = 0; n < notes; n++) {
      const hz = root * 2 ** ([0, 4, 7][n] / 12)
      for (let h = 1; h <= 8; h++) {
        const phase = 2 * Math.PI * random.uniform()
        for (let i = 0; i < length && at + i < out.length; i++) {
          const t = i / RATE_HZ
          const shape = plucked ? Math.exp(-t * (1.5 + h)) : Math.min(1, (length / RATE_HZ - t) * 20)
          const envelope = Math.min(1, t / attack) * Math.max(0, shape)
          out[at + i] += (envelope / h) * Math.sin(2 * Math.PI * hz * h * t + phase)
        }
      }
    }
    at += Math.round(length * (0.5 + 0.5 * random.uniform()))
  }
}

/** Bursts and swells of coloured noise: steps, cloth, a fan, a door. */
function rustle(out: Float64Array, random: Random): void {
  let at = Math.round(0.2 * RATE_HZ)
  while (at < out.length) {
    const length = Math.round((0.02 + 0.5 * random.uniform()) * RATE_HZ)
    const smooth = 0.5 + 0.49 * random.uniform()
    const sharp = random.uniform() < 0.5
    let low = 0
    for (let i = 0; i < length && at + i < out.length; i++) {
      const t = i / length
      low = smooth * low + (1 - smooth) * random.normal()
      out[at + i] += low * (sharp ? Math.exp(-4 * t) : Math.sin(Math.PI * t))
    }
    at += length + Math.round(0.3 * random.uniform() * RATE_HZ)
  }
}

/** Mains and machines, switched on and off. */
function hum(out: Float64Array, random: Random): void {
  const hz = random.uniform() < 0.5 ? 50 : 60
  const on = Math.round(random.uniform() * RATE_HZ)
  for (let i = on; i < out.length; i++) {
    const t = (i - on) / RATE_HZ
    for (const h of [1, 2, 3, 4, 6]) out[i] += (Math.min(1, t * 200) / h) * Math.sin(2 * Math.PI * hz * h * t)
  }
}
