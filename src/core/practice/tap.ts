import { lugAngle } from '../head/harmonics'
import { seededRandom, type Random } from '../numeric/random'
import { inchesToMetres } from '../units/length'
import { pickup, truthOf, type PracticeHead, type Truth } from './model'

/** A tap on the practice drum, made sample by sample. */
export interface TapSettings {
  /** Lug tapped, 1-based. */
  lug: number
  rateHz: number
  seed: number
  /** Steady noise, rms against the tap's peak, in dB; null for none. */
  noiseDb: number | null
  /** A fingertip at the centre takes the modes that move there. */
  finger: boolean
  seconds?: number
  /** Silence before the stroke. */
  leadSeconds?: number
}

export interface PlayedMode {
  m: number
  n: number
  hz: number
  decaySeconds: number
  /** Level against the loudest mode of this tap. */
  levelDb: number
}

export interface PlayedTap {
  samples: Float32Array
  rateHz: number
  modes: PlayedMode[]
  truth: Truth
}

const DEFAULT_SECONDS = 1.6
const DEFAULT_LEAD_SECONDS = 0.35
/** Lug taps land 38 mm in from the hoop: 25 to 50 mm is common practice. */
const TAP_FROM_HOOP_METRES = 0.038
/** What a resting fingertip leaves of the modes with an antinode at the centre. */
const FINGER_LEAVES = 0.02
const PEAK = 0.5
/** Ring of the lug mode: 0.21 s at 234 Hz, longer below; higher modes and the radiating (0,1) die sooner. */
const LUG_DECAY_SECONDS = 0.21
const LUG_DECAY_HZ = 234
/** A light tap starts some tens of cents sharp and has settled as its energy is gone. */
const GLIDE_CENTS = 25

function decaySeconds(m: number, n: number, hz: number, lugHz: number): number {
  const lugDecay = LUG_DECAY_SECONDS * (LUG_DECAY_HZ / lugHz) ** 0.7
  const radiating = m === 0 ? 0.4 : 1
  return m === 1 && n === 1 ? lugDecay : Math.min(lugDecay, lugDecay * (lugHz / hz) ** 1.2) * radiating
}

/** Plays one tap. The same seed gives the same samples. */
export function playTap(head: PracticeHead, settings: TapSettings): PlayedTap {
  const truth = truthOf(head)
  const random = seededRandom(settings.seed)
  const radius = inchesToMetres(head.diameterInches) / 2
  const place = 1 - TAP_FROM_HOOP_METRES / radius
  const angle = lugAngle(settings.lug - 1, head.lugs)

  const partials = truth.modes.flatMap((mode) => {
    // Two strokes are never alike; the poles of one mode are, since they share its shape.
    const stroke = (1 + 0.1 * random.normal()) * (truth.meanHz / mode.poles[0].hz)
    return mode.poles.map((pole) => {
      const finger = settings.finger && mode.m === 0 ? FINGER_LEAVES : 1
      return {
        m: mode.m,
        n: mode.n,
        hz: pole.hz,
        decaySeconds: decaySeconds(mode.m, mode.n, pole.hz, truth.meanHz),
        amplitude: pickup(mode, pole, place, angle) * finger * stroke,
      }
    })
  })
  const loudest = Math.max(...partials.map((p) => p.amplitude))
  const samples = render(partials, settings, truth.meanHz, random)
  return {
    samples,
    rateHz: settings.rateHz,
    truth,
    modes: partials
      .map(({ amplitude, ...mode }) => ({ ...mode, levelDb: 20 * Math.log10(amplitude / loudest) }))
      .filter((mode) => mode.levelDb > -60)
      .sort((a, b) => b.levelDb - a.levelDb),
  }
}

interface Partial {
  hz: number
  decaySeconds: number
  amplitude: number
}

function render(partials: Partial[], settings: TapSettings, lugHz: number, random: Random): Float32Array {
  const { rateHz } = settings
  const count = Math.round((settings.seconds ?? DEFAULT_SECONDS) * rateHz)
  const start = Math.round((settings.leadSeconds ?? DEFAULT_LEAD_SECONDS) * rateHz)
  const out = new Float64Array(count)
  const glide = 2 ** ((GLIDE_CENTS * (0.6 + 0.8 * random.uniform())) / 1200) - 1
  const glideSeconds = decaySeconds(1, 1, lugHz, lugHz) / 2
  for (const { hz, decaySeconds: decay, amplitude } of partials) {
    if (hz > 0.45 * rateHz) continue
    const last = Math.min(count, start + Math.ceil(12 * decay * rateHz))
    for (let i = start; i < last; i++) {
      const t = (i - start) / rateHz
      const phase = 2 * Math.PI * hz * (t + glide * glideSeconds * (1 - Math.exp(-t / glideSeconds)))
      out[i] += amplitude * Math.exp(-t / decay) * Math.sin(phase)
    }
  }
  addStick(out, start, rateHz, random)
  let peak = 1e-12
  for (const x of out) peak = Math.max(peak, Math.abs(x))
  const noise = settings.noiseDb === null ? 0 : PEAK * 10 ** (settings.noiseDb / 20)
  return Float32Array.from(out, (x) => (PEAK * x) / peak + (noise > 0 ? noise * random.normal() : 0))
}

/** The stick's click: noise that is gone within some 10 ms, about as high as the tone. */
function addStick(out: Float64Array, start: number, rateHz: number, random: Random) {
  let tone = 0
  for (let i = start; i < Math.min(out.length, start + 0.03 * rateHz); i++)
    tone = Math.max(tone, Math.abs(out[i]))
  const last = Math.min(out.length, start + Math.round(0.02 * rateHz))
  for (let i = start; i < last; i++) {
    out[i] += 0.5 * tone * Math.exp(-(i - start) / (0.0025 * rateHz)) * random.normal()
  }
}
