import { seededRandom, type Random } from '@/core/numeric/random'

/**
 * Made takes with a known truth, for tests and for the bench: a lug tap as a sum of damped sinusoids with what troubles
 * a real one. Written apart from the practice drum, so that the ear is not judged by its own model alone.
 */
export interface TruePartial {
  hz: number
  decaySeconds: number
  /** Signed: a microphone that stands still hears the two poles of a pair with either sign. */
  amplitude: number
}

export interface Take {
  samples: Float32Array
  rateHz: number
  strokeSeconds: number
  /** Poles of the (1,1) mode, louder first; the others are the head's further modes. */
  poles: TruePartial[]
  others: TruePartial[]
  /** Relative pitch at the stroke above the settled one, and the time in which it falls to 1/e. */
  glide: { relative: number; seconds: number }
  /** Noise variance of a sample if only 2 kHz of the noise were kept: signal to noise is the lug mode's power to it. */
  noisePower2k: number
  snrDb: number
  /** Amplitude-weighted mean of the poles. */
  readingHz: number
  mic: 'with-tap' | 'standing'
  neighbour: boolean
  /** Distance of the poles in widths 1 / (pi decay); 0 for one pole. */
  splitWidths: number
  expectHz: number
}

export interface TakeSettings {
  seed: number
  snrDb?: [low: number, high: number]
  /** Without glide, neighbour, or second poles in the other modes: what the Cramer-Rao bound is for. */
  clean?: boolean
  pair?: boolean
}

const RATE_HZ = 48_000
const LEAD_SECONDS = 0.35

export function makeTake({ seed, snrDb: range = [0, 60], clean = false, pair }: TakeSettings): Take {
  const random = seededRandom(seed * 7919 + 13)
  const between = (low: number, high: number) => low + (high - low) * random.uniform()
  const logBetween = (low: number, high: number) => low * (high / low) ** random.uniform()
  const lugHz = logBetween(40, 500)
  // At least eight cycles in a decay: less is a thud.
  const decay = logBetween(Math.max(0.05, 8 / lugHz), Math.min(1.5, Math.max(0.3, 200 / lugHz)))
  const mic = random.uniform() < 0.5 ? 'with-tap' : 'standing'
  const poles = lugPoles(lugHz, decay, mic, pair ?? random.uniform() < 0.6, random)
  const loud = Math.abs(poles[0].amplitude)
  const others: TruePartial[] = []
  const add = (ratio: number, db: number, decayFactor: number) => {
    const hz = lugHz * ratio
    const one = { hz, decaySeconds: decay * decayFactor, amplitude: loud * 10 ** (db / 20) }
    const split = clean ? 0 : hz * between(0, 0.006)
    const share = random.uniform()
    others.push({ ...one, amplitude: one.amplitude * share })
    others.push({ ...one, hz: hz + split, amplitude: one.amplitude * (1 - share) })
    if (split === 0) others.splice(-2, 2, one)
  }
  add(between(0.55, 0.66), between(-40, -25), 0.4)
  add(between(1.33, 1.46), between(-12, 0), 0.7)
  add(between(1.66, 1.92), between(-16, -3), 0.5)
  add(between(1.98, 2.3), between(-20, -6), 0.4)

  const bends = !clean && random.uniform() < 0.75
  const glide = {
    relative: bends ? 2 ** (logBetween(2, 80) / 1200) - 1 : 0,
    seconds: (decay / 2) * logBetween(0.6, 1.7),
  }
  const neighbour = !clean && random.uniform() < 0.15
  const snrDb = between(...range)
  const noisePower2k = loud ** 2 / 2 / 10 ** (snrDb / 10)
  const seconds = LEAD_SECONDS + Math.min(1.6, 4 * decay + 0.2)
  const samples = render(poles, others, glide, Math.sqrt((noisePower2k * RATE_HZ) / 4000), seconds, random)
  if (neighbour) {
    const up = random.uniform() < 0.5
    const hz = lugHz * (up ? between(1.06, 1.3) : between(0.7, 0.94))
    addRinging(samples, hz, loud * 10 ** (between(-25, -8) / 20) * samples[samples.length - 1])
  }
  const scale = samples.pop()!
  return {
    samples: Float32Array.from(samples),
    rateHz: RATE_HZ,
    strokeSeconds: LEAD_SECONDS,
    poles: poles.map((pole) => ({ ...pole, amplitude: pole.amplitude * scale })),
    others: others.map((pole) => ({ ...pole, amplitude: pole.amplitude * scale })),
    glide,
    noisePower2k: noisePower2k * scale ** 2,
    snrDb,
    readingHz: weightedMean(poles),
    mic,
    neighbour,
    splitWidths: poles.length > 1 ? Math.abs(poles[0].hz - poles[1].hz) * Math.PI * decay : 0,
    expectHz: lugHz * 2 ** ((150 * random.normal()) / 1200),
  }
}

function lugPoles(hz: number, decay: number, mic: Take['mic'], pair: boolean, random: Random): TruePartial[] {
  if (!pair) return [{ hz, decaySeconds: decay, amplitude: 1 }]
  const split = Math.min((0.2 * 20 ** random.uniform()) / (Math.PI * decay), 0.1 * hz)
  const from = 2 * Math.PI * random.uniform()
  const heard = mic === 'with-tap' ? from : 2 * Math.PI * random.uniform()
  return [
    { hz: hz - split / 2, decaySeconds: decay, amplitude: Math.cos(from) * Math.cos(heard) },
    { hz: hz + split / 2, decaySeconds: decay, amplitude: Math.sin(from) * Math.sin(heard) },
  ].sort((a, b) => Math.abs(b.amplitude) - Math.abs(a.amplitude))
}

function weightedMean(poles: readonly TruePartial[]): number {
  const total = poles.reduce((sum, pole) => sum + Math.abs(pole.amplitude), 0)
  return poles.reduce((sum, pole) => sum + Math.abs(pole.amplitude) * pole.hz, 0) / total
}

/** Samples, and as a last entry the factor that brought the peak to 0.5. */
function render(
  poles: TruePartial[],
  others: TruePartial[],
  glide: Take['glide'],
  noise: number,
  seconds: number,
  random: Random,
): number[] {
  const count = Math.round(seconds * RATE_HZ)
  const start = Math.round(LEAD_SECONDS * RATE_HZ)
  const out = new Array<number>(count).fill(0)
  for (const { hz, decaySeconds, amplitude } of [...poles, ...others]) {
    for (let i = start; i < count; i++) {
      const t = (i - start) / RATE_HZ
      const bent = t + glide.relative * glide.seconds * (1 - Math.exp(-t / glide.seconds))
      out[i] += amplitude * Math.exp(-t / decaySeconds) * Math.sin(2 * Math.PI * hz * bent)
    }
  }
  const tone = out.reduce((top, x) => Math.max(top, Math.abs(x)), 0)
  for (let i = start; i < Math.min(count, start + 0.02 * RATE_HZ); i++) {
    out[i] += 0.5 * tone * Math.exp(-(i - start) / (0.0025 * RATE_HZ)) * random.normal()
  }
  for (let i = 0; i < count; i++) out[i] += noise * random.normal()
  const scale = 0.5 / out.reduce((top, x) => Math.max(top, Math.abs(x)), 0)
  return [...out.map((x) => x * scale), scale]
}

/** Another drum that was struck before and still rings, through the whole take. */
function addRinging(samples: number[], hz: number, amplitude: number): void {
  for (let i = 0; i < samples.length - 1; i++) {
    const t = i / RATE_HZ
    samples[i] += amplitude * Math.exp(-t / 1.5) * Math.sin(2 * Math.PI * hz * t)
  }
}
