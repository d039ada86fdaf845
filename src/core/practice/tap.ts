import { lugAngle } from '../head/harmonics'
import { areParted, weightedHz } from '../measurement/choose'
import { radiationPerSecond } from '../membrane/radiation'
import { seededRandom, type Random } from '../numeric/random'
import { inchesToMetres } from '../units/length'
import { addedLossPerSecond } from './nature'
import { pickup, truthOf, type PracticeHead, type Spot, type TrueMode, type Truth } from './model'

/** A tap on the practice drum, made sample by sample. */
export interface TapSettings {
  /** Lug tapped, 1-based, or the centre. */
  lug: number | 'centre'
  /** Where the microphone stands; left out, it follows the tap. */
  standing?: Spot
  rateHz: number
  seed: number
  /** Steady noise, rms against the tap's peak, in dB; null for none. */
  noiseDb: number | null
  /** A fingertip at the centre takes the modes that move there. */
  finger: boolean
  seconds?: number
  /** Silence before the stroke. */
  leadSeconds?: number
  /** What muffling and the stand take from the ring, in 1/s. */
  lossPerSecond?: number
  /** Where a lug tap lands, in metres from the hoop. */
  fromHoopMetres?: number
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
/** Nobody strikes the very centre. */
const OFF_CENTRE_METRES = 0.006
/** A phone on a stand: over the head, two thirds out, between two lugs. */
export const STANDING_SPOT: Spot = { radiusFraction: 0.66, angle: 0.7 }
/** What a resting fingertip leaves of the modes with an antinode at the centre. */
const FINGER_LEAVES = 0.02
const PEAK = 0.5
/** Ring of the lug mode: 0.21 s at 234 Hz, longer below; higher modes and the radiating (0,1) die sooner. */
const LUG_DECAY_SECONDS = 0.21
const LUG_DECAY_HZ = 234
/** A light tap starts some tens of cents sharp and has settled as its energy is gone. */
const GLIDE_CENTS = 25
/** A neighbour that answers: its level against the loudest mode, and how long it rings. */
const NEIGHBOUR_LEVEL = 0.04
const NEIGHBOUR_DECAY_SECONDS = 0.7
/** A rattle, against the movement that drives it. */
const RATTLE_LEVEL = 0.12
/** A full stroke on the centre bends further. */
const CENTRE_GLIDE_CENTS = 60

/** Ring of the lug mode in seconds, with losses of 1/s added to its own. */
export function lugDecaySeconds(lugHz: number, lossPerSecond = 0): number {
  return 1 / ((LUG_DECAY_HZ / lugHz) ** -0.7 / LUG_DECAY_SECONDS + lossPerSecond)
}

function decaySeconds(m: number, n: number, hz: number, lugHz: number, lossPerSecond = 0): number {
  const lugDecay = lugDecaySeconds(lugHz, lossPerSecond)
  const radiating = m === 0 ? 0.4 : 1
  return m === 1 && n === 1 ? lugDecay : Math.min(lugDecay, lugDecay * (lugHz / hz) ** 1.2) * radiating
}

/** Own loss of a drum's lowest mode with both heads free, in 1/s at 100 Hz, and how it grows with pitch. */
const OWN_LOSS_PER_SECOND = 2.8
const OWN_LOSS_POWER = 0.8

/**
 * Ring of a drum's (0,1) mode with both heads free: its own losses, and the sound that leaves it, which depends on how alike
 * the heads move.
 * @param index 0 for the mode in which they move the same way, 1 for the other
 */
function freeDecaySeconds(
  head: PracticeHead,
  hz: number,
  share: number,
  index: number,
  loss: number,
): number {
  const resonant = Math.sqrt(Math.max(0, 1 - share ** 2)) * (index === 0 ? 1 : -1)
  const plies = { batter: head.pliesMils, resonant: head.other.pliesMils }
  const leaves = radiationPerSecond(head.diameterInches, head.depthInches, hz, plies, {
    batter: share,
    resonant,
  })
  const own = OWN_LOSS_PER_SECOND * head.nature.ownLoss * (hz / 100) ** OWN_LOSS_POWER
  return 1 / (own + leaves + loss)
}

const isFreeCentre = (head: PracticeHead, { m, n }: TrueMode) => m === 0 && n === 1 && !head.other.muted

/**
 * What there is to hear of the lug pitch in a tap, in Hz: its (1,1) poles weighted as this tap weighs them, or the louder
 * of two that are heard apart.
 */
export function heardLugHz({ modes }: PlayedTap): number {
  const poles = modes.filter(({ m, n }) => m === 1 && n === 1).sort((a, b) => b.levelDb - a.levelDb)
  return poles.length > 1 && areParted(poles[0], poles[1]) ? poles[0].hz : weightedHz(poles)
}

/** Plays one tap. The same seed gives the same samples. */
export function playTap(head: PracticeHead, settings: TapSettings): PlayedTap {
  const truth = truthOf(head)
  const faults = head.faults ?? {}
  const loss = addedLossPerSecond(faults, false) + (settings.lossPerSecond ?? 0)
  const random = seededRandom(settings.seed)
  const radius = inchesToMetres(head.diameterInches) / 2
  const place = 1 - (settings.fromHoopMetres ?? TAP_FROM_HOOP_METRES) / radius
  const { lug } = settings
  const struck: Spot =
    lug === 'centre'
      ? { radiusFraction: OFF_CENTRE_METRES / radius, angle: 2 * Math.PI * random.uniform() }
      : { radiusFraction: place, angle: lugAngle(lug - 1, head.lugs) }
  const heard = settings.standing ?? struck

  const partials = truth.modes.flatMap((mode) => {
    // Two strokes are never alike; the poles of one mode are, since they share its shape.
    const stroke = (1 + 0.1 * random.normal()) * (truth.meanHz / mode.poles[0].hz)
    return mode.poles.map((pole, index) => {
      const finger = settings.finger && mode.m === 0 ? FINGER_LEAVES : 1
      return {
        m: mode.m,
        n: mode.n,
        hz: pole.hz,
        decaySeconds: isFreeCentre(head, mode)
          ? freeDecaySeconds(head, pole.hz, pole.share, index, loss)
          : decaySeconds(mode.m, mode.n, pole.hz, truth.meanHz, loss),
        amplitude: pickup(pole, struck, heard) * finger * stroke,
      }
    })
  })
  const loudest = Math.max(...partials.map((p) => Math.abs(p.amplitude)))
  if (faults.neighbourHz) {
    const amplitude = NEIGHBOUR_LEVEL * loudest
    partials.push({ m: -1, n: 0, hz: faults.neighbourHz, decaySeconds: NEIGHBOUR_DECAY_SECONDS, amplitude })
  }
  const samples = render(
    partials,
    settings,
    truth.meanHz,
    random,
    lug === 'centre' ? CENTRE_GLIDE_CENTS : GLIDE_CENTS,
    faults.loosePart || faults.bentWires ? RATTLE_LEVEL : 0,
  )
  return {
    samples,
    rateHz: settings.rateHz,
    truth,
    modes: partials
      .filter(({ m }) => m >= 0)
      .map(({ amplitude, ...mode }) => ({
        ...mode,
        levelDb: 20 * Math.log10(Math.max(Math.abs(amplitude) / loudest, 1e-9)),
      }))
      .filter((mode) => mode.levelDb > -60)
      .sort((a, b) => b.levelDb - a.levelDb),
  }
}

interface Partial {
  hz: number
  decaySeconds: number
  amplitude: number
}

function render(
  partials: Partial[],
  settings: TapSettings,
  lugHz: number,
  random: Random,
  glideCents: number,
  rattle: number,
): Float32Array {
  const { rateHz } = settings
  const count = Math.round((settings.seconds ?? DEFAULT_SECONDS) * rateHz)
  const start = Math.round((settings.leadSeconds ?? DEFAULT_LEAD_SECONDS) * rateHz)
  const out = new Float64Array(count)
  const glide = 2 ** ((glideCents * (0.6 + 0.8 * random.uniform())) / 1200) - 1
  const glideSeconds = decaySeconds(1, 1, lugHz, lugHz) / 2
  // All partials glide alike: time as they run through it is worked out once.
  const glided = Float64Array.from({ length: Math.max(0, count - start) }, (_, i) => {
    const t = i / rateHz
    return t + glide * glideSeconds * (1 - Math.exp(-t / glideSeconds))
  })
  for (const { hz, decaySeconds: decay, amplitude } of partials) {
    if (hz > 0.45 * rateHz) continue
    const last = Math.min(glided.length, Math.ceil(12 * decay * rateHz))
    const turn = 2 * Math.PI * hz
    for (let i = 0; i < last; i++)
      out[start + i] += amplitude * Math.exp(-(i / rateHz) / decay) * Math.sin(turn * glided[i])
  }
  if (rattle > 0) addRattle(out, rattle, random)
  addStick(out, start, rateHz, random)
  let peak = 1e-12
  for (const x of out) peak = Math.max(peak, Math.abs(x))
  const noise = settings.noiseDb === null ? 0 : PEAK * 10 ** (settings.noiseDb / 20)
  return Float32Array.from(out, (x) => (PEAK * x) / peak + (noise > 0 ? noise * random.normal() : 0))
}

/** What lies loose buzzes with the movement: noise as loud as a part of what moves it. */
function addRattle(out: Float64Array, level: number, random: Random) {
  for (let i = 0; i < out.length; i++) if (out[i] > 0) out[i] += level * out[i] * random.normal()
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
