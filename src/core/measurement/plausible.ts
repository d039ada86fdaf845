import { median } from '../numeric/median'
import type { Candidate } from './choose'
import type { Tail } from './tail'
import type { Treble } from './treble'
import type { Mode } from './types'

/** No head speaks below this. */
const LOWEST_PITCH_HZ = 33
/** Fewer cycles than this within a decay are a thud. */
const FEWEST_CYCLES = 6.5
/** ... unless every bit of it is known to be a tone. */
const FEWEST_WELL_EXPLAINED = 4.5
/** A drum's tone does not last: longer decays are a voice, an instrument, a hum that came in. */
const LONGEST_DECAY_SECONDS = 2
/** A stroke is loudest at once; what grows by this factor later was not struck. */
const SWELL = 1.5
/** ... unless its tones are this well known: two that begin upside down to each other swell as they beat. */
const WELL_EXPLAINED = 0.97
const BEATING_SWELL = 5
/** Tones at whole multiples of one pitch, this close and this many of them, are no drum's. */
const HARMONIC_CENTS = 18
const HARMONICS = 3
const HARMONIC_DB = -22
/** Two tones in one of these ratios this exactly belong to one string or pipe; two such pairs make a chord. */
const OVERTONES = [2, 3, 4]
const OVERTONE_CENTS = 8
const CHORD_PAIRS = 2
/**
 * A head that moves much air rings near 2 : 3 : 4 : 5 as well (loaded kettledrums: Rossing, *Science of Percussion
 * Instruments*; from memory). What tells it from a string or a pipe is how soon it dies: half of its loud tones within so
 * many cycles, decay times frequency.
 */
const HEAD_CYCLES = 65
/** A stick's click is this many times louder than the treble behind it; no voice, string or pipe begins so. */
const CLICK = 2.6
/**
 * Treble that begins with the sound, this many times over what was before, and does not die as a click does: then even
 * tones that die as soon as a head's are held against a string's.
 */
const ROSE = 3.5
/** A loud tone that lasts longer than this does not come from a head, whatever else rings. */
const LOUD_DB = -12
const NEVER_DIES_SECONDS = 6
/** ... which a shorter tail than this cannot tell. */
const TELLS_DECAY_SECONDS = 0.35
/** Treble against the tail's own rms: wires on the head. */
const RATTLE = 10 ** (-12 / 20)

export type Objection = 'thud' | 'choked' | 'wires' | 'not-struck' | 'tone'

/** What a resonant reading would have to get past before it is believed; null when nothing speaks against it. */
export function objection(
  tail: Tail,
  treble: Treble,
  candidate: Candidate<Mode>,
  modes: ReadonlyArray<Mode & { before?: boolean }>,
  explained: number,
): Objection | null {
  const longest = candidate.poles.reduce((a, b) => (b.decaySeconds > a.decaySeconds ? b : a))
  const body = rms(tail, 0.025, 0.125)
  if (treble.rattle > RATTLE * body) return 'wires'
  const own = modes.filter(({ before }) => !before)
  const level = Math.max(...candidate.poles.map(({ levelDb }) => levelDb))
  if (longest.hz < LOWEST_PITCH_HZ) return 'thud'
  // A port's air or a beater on a pillow, louder than whatever rings above it.
  if (own.some((mode) => mode.hz < LOWEST_PITCH_HZ && mode.levelDb > level)) return 'thud'
  const fewest = explained > WELL_EXPLAINED ? FEWEST_WELL_EXPLAINED : FEWEST_CYCLES
  if (longest.hz * longest.decaySeconds < fewest) return longest.hz < 90 ? 'thud' : 'choked'
  const first = rms(tail, 0, 0.06)
  const later = Math.max(rms(tail, 0.06, 0.14), rms(tail, 0.14, 0.25), rms(tail, 0.25, 0.4))
  if (later > (explained > WELL_EXPLAINED ? BEATING_SWELL : SWELL) * first) return 'not-struck'
  if (tail.samples.length > TELLS_DECAY_SECONDS * tail.rateHz) {
    if (longest.decaySeconds > LONGEST_DECAY_SECONDS) return 'not-struck'
    if (own.some((mode) => mode.levelDb > LOUD_DB && mode.decaySeconds > NEVER_DIES_SECONDS))
      return 'not-struck'
  }
  if (treble.click < CLICK) {
    if (isHarmonic(modes, treble.rose > ROSE ? 0 : HEAD_CYCLES)) return 'tone'
  }
  return null
}

function rms(tail: Tail, fromSeconds: number, toSeconds: number): number {
  const part = tail.samples.subarray(
    Math.round(fromSeconds * tail.rateHz),
    Math.round(toSeconds * tail.rateHz),
  )
  return part.length ? Math.sqrt(part.reduce((sum, x) => sum + x * x, 0) / part.length) : 0
}

/** Modes this near are the two poles of one tone: two pairs of poles an octave apart is one coincidence, not four. */
const SAME_TONE_CENTS = 80

function asTones(modes: readonly Mode[]): Mode[][] {
  const sorted = [...modes].sort((a, b) => a.hz - b.hz)
  return sorted.reduce<Mode[][]>((tones, mode) => {
    const last = tones.at(-1)
    if (last && 1200 * Math.log2(mode.hz / last.at(-1)!.hz) < SAME_TONE_CENTS) last.push(mode)
    else tones.push([mode])
    return tones
  }, [])
}

/** At least three loud modes at whole multiples of one of them or of its half: a string, a reed, a voice. */
function isHarmonic(modes: readonly Mode[], headCycles: number): boolean {
  const loud = modes.filter((mode) => mode.levelDb > HARMONIC_DB)
  if (loud.length < HARMONICS || median(loud.map(({ hz, decaySeconds }) => hz * decaySeconds)) < headCycles)
    return false
  const overtone = (low: Mode, high: Mode) =>
    OVERTONES.some((ratio) => Math.abs(1200 * Math.log2(high.hz / low.hz / ratio)) < OVERTONE_CENTS)
  const tones = asTones(loud)
  const pairs = tones.flatMap((lows) =>
    tones.filter((highs) =>
      lows.some((low) => highs.some((high) => high.hz > low.hz && overtone(low, high))),
    ),
  )
  if (pairs.length >= CHORD_PAIRS) return true
  const lowest = Math.min(...loud.map((mode) => mode.hz))
  return [1, 2].some((divisor) => {
    const base = lowest / divisor
    const fit = loud.filter(({ hz }) => {
      const multiple = Math.round(hz / base)
      return Math.abs(1200 * Math.log2(hz / base / multiple)) < HARMONIC_CENTS
    })
    const numbers = new Set(fit.map(({ hz }) => Math.round(hz / base)))
    // With the half as base every second whole number must not carry it alone.
    const odd = divisor === 1 || [...numbers].some((n) => n % 2 === 1 && n > 1)
    return odd && numbers.size >= HARMONICS + divisor - 1 && fit.length >= 0.75 * loud.length
  })
}
