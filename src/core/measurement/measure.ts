import { lastRailed } from '../sound/overdriven'
import { beginsStruck, findOnsets, type Onset } from './onsets'
import { objection, type Objection } from './plausible'
import { readingOf } from './reading'
import { bandFor, CLICK_SECONDS, cutTail, WIDE_BAND } from './tail'
import type { MeasureOptions, Mode, Tap, Verdict } from './types'
import { trebleOf } from './treble'
import { glideOf, ringOf } from './whole'
import { bestWindow } from './window'

/** Sentences for a refused tap: what was wrong and what to do. */
const WHY: Record<Exclude<Verdict, 'ok'>, string> = {
  clipped: 'The recording is overdriven. Turn the input down or move the microphone away, and tap again.',
  'too-quiet': 'The tap hardly stands out. Move the microphone closer or tap a little harder.',
  'double-hit': 'Two strokes fell together. Let the stick bounce off once and tap again.',
  noisy: 'The tap rings too short of the noise around it. Wait for quiet, or move the microphone closer.',
  'no-pitch':
    'Nothing rang clearly: a thud, a choked head, or the wires on. Lift the hand, wires off, and tap again.',
  'no-tap': 'Nothing was struck in this recording.',
}

/** Sentences for what rang and is no reading all the same. */
const OBJECTIONS: Record<Objection, string> = {
  thud: 'A thud without a pitch. Take the pillow or the pad off, tap near the rod, and tap again.',
  choked:
    'The head is choked: it stopped ringing at once. Lift the hand, take the muffling off, and tap again.',
  wires:
    'The snare wires are on, or something rattles. Wires off, or a stick slid under them, and tap again.',
  'not-struck': 'This swelled or went on like a voice or an instrument. Wait for quiet, and tap again.',
  tone: 'These tones belong to a voice or an instrument, not to a head. Wait for quiet, and tap again.',
}

/** Two strokes closer than this spoil each other's tail. */
const DOUBLE_SECONDS = 0.35
/** A second stroke counts as one above this part of the first. */
const DOUBLE_STRENGTH = 0.25
const LOWEST_SNR_DB = 6
const LEAST_EXPLAINED = 0.6
const WORST_ERROR_CENTS = 12
/**
 * Samples to taps. `samples` are mono at full scale +-1, `rateHz` 8,000 to 192,000. Always at least one entry: a
 * stretch in which nothing was struck gives one with the verdict `no-tap`.
 *
 * The pitch reported is the settled one, after the glide (docs/decisions/settled-pitch.md).
 */
export function measureSound(samples: Float32Array, rateHz: number, options: MeasureOptions = {}): Tap[] {
  const onsets = strokesIn(samples, rateHz)
  const taps: Tap[] = []
  for (let i = 0; i < onsets.length; i++) {
    const onset = onsets[i]
    const doubled = doubles(onsets, i, rateHz)
    const end = onsets[i + 1 + doubled]?.sample ?? samples.length
    taps.push(
      doubled > 0 ? refuse(onset, rateHz, 'double-hit') : measureTap(samples, rateHz, onset, end, options),
    )
    i += doubled
  }
  if (taps.length === 0) taps.push(refuse({ sample: 0, strength: 0 }, rateHz, 'no-tap'))
  const last = taps[taps.length - 1]
  const leftSeconds = samples.length / rateHz - last.atSeconds
  const otherwise = last.hz !== null || last.verdict === 'clipped' || last.verdict === 'double-hit'
  if (!otherwise && leftSeconds < CUT_SHORT_SECONDS) last.why = cutShort(leftSeconds)
  return taps
}

/** What is refused so near the end of a file is refused for that, unless it was overdriven or struck twice. */
const CUT_SHORT_SECONDS = 0.35

function cutShort(seconds: number): string {
  return `Only ${seconds.toFixed(2)} s can be measured here. Leave a second of the ring in the recording, and choose it again.`
}

/** A stroke so near the beginning is the one that the recording was cut at. */
const CUT_SECONDS = 0.03

/** The strokes of a recording, in time order; the first may be its very beginning. */
function strokesIn(samples: Float32Array, rateHz: number): Onset[] {
  const found = findOnsets(samples, rateHz)
  const later = found.filter(({ sample }) => sample > CUT_SECONDS * rateHz)
  const first = beginsStruck(samples, rateHz, later[0]?.sample ?? samples.length)
  return first ? [first, ...later] : found
}

function doubles(onsets: Onset[], i: number, rateHz: number): number {
  let count = 0
  while (
    onsets[i + count + 1] &&
    onsets[i + count + 1].sample - onsets[i + count].sample < DOUBLE_SECONDS * rateHz &&
    onsets[i + count + 1].strength > DOUBLE_STRENGTH * onsets[i].strength
  ) {
    count++
  }
  return count
}

function refuse(onset: Onset, rateHz: number, verdict: Exclude<Verdict, 'ok'>, modes: Mode[] = []): Tap {
  return {
    atSeconds: onset.sample / rateHz,
    verdict,
    why: WHY[verdict],
    hz: null,
    standardErrorHz: null,
    poles: [],
    modes,
    alternatives: [],
  }
}

/** One stroke to a tap. `end` is the sample where the next stroke begins. */
export function measureTap(
  samples: Float32Array,
  rateHz: number,
  onset: Onset,
  end: number,
  options: MeasureOptions,
): Tap {
  const railedAt = lastRailed(samples, onset.sample, end)
  const strokeOnly = railedAt !== null && railedAt < onset.sample + CLICK_SECONDS * rateHz
  if (railedAt !== null && !strokeOnly) return refuse(onset, rateHz, 'clipped')
  const wide = cutTail(samples, rateHz, onset.sample, end)
  if (!wide) return refuse(onset, rateHz, 'too-quiet')
  if (wide.snrDb < LOWEST_SNR_DB) return refuse(onset, rateHz, 'too-quiet')
  if (wide.fromSeconds === 0) return refuse(onset, rateHz, 'no-pitch')
  const band = bandFor(wide, Math.max(options.expectHz ?? 0, options.bandHz?.[1] ?? 0))
  const tail = band === WIDE_BAND ? wide : (cutTail(samples, rateHz, onset.sample, end, band) ?? wide)
  const found = bestWindow(tail, options)
  if (!found) return refuse(onset, rateHz, 'no-pitch')
  const { analysis, candidates } = found
  const modes = analysis.modes.filter((mode) => !mode.before).map(plain)
  if (analysis.explained < LEAST_EXPLAINED) {
    return refuse(onset, rateHz, tail.snrDb < 2 * LOWEST_SNR_DB ? 'noisy' : 'no-pitch', modes)
  }
  const best = candidates[0]
  if (!best) return refuse(onset, rateHz, 'no-pitch', modes)
  const against = objection(
    tail,
    trebleOf(samples, rateHz, onset.sample, end),
    best,
    analysis.modes,
    analysis.explained,
  )
  if (against) {
    const voice = against === 'tone' || against === 'not-struck'
    const why = OBJECTIONS[against]
    return { ...refuse(onset, rateHz, 'no-pitch', modes), why, noTap: true, ...(voice ? { voice } : {}) }
  }
  const { hz, scatterHz } = found.pitch
  const standardErrorHz = Math.hypot(readingOf(best, analysis, options.mic).standardErrorHz, scatterHz)
  // Windows that scatter widen the error of what is read, which is weighed by it; to refuse it cost more taps than it saved.
  if (found.errorCents > WORST_ERROR_CENTS) return refuse(onset, rateHz, 'noisy', modes)
  return {
    atSeconds: onset.sample / rateHz,
    verdict: 'ok',
    why: null,
    ...(strokeOnly ? { warning: 'clipped-stroke' as const } : {}),
    hz,
    standardErrorHz,
    poles: best.poles.map(plain),
    modes,
    alternatives: candidates
      .slice(1)
      .filter((other) => other.odds > 0.005)
      .map(({ hz, odds }) => ({ hz, odds })),
    ...(options.tap === 'centre' && {
      glideCents: glideOf(tail, modes, hz),
      ringSeconds: ringOf(samples, rateHz, onset.sample, end),
    }),
  }
}

function plain({ hz, decaySeconds, levelDb, standardErrorHz, decayErrorSeconds, levelErrorDb }: Mode): Mode {
  return { hz, decaySeconds, levelDb, standardErrorHz, decayErrorSeconds, levelErrorDb }
}
