import { CENTS_PER_NEPER } from '../units/pitch'
import { lugAngle } from './harmonics'
import { WIDEST_POLES_CENTS } from './readings'
import type { Round } from './types'

/**
 * A microphone that stands still at azimuth p hears the two poles of a head, their axis at a, from a tap at lug angle t
 * with the amplitudes |cos(t - a) cos(p - a)| and |sin(t - a) sin(p - a)|. Which frequencies there are is heard as well
 * as ever; how loud each is no longer says where its antinode lies, but how the ratio changes from lug to lug does:
 * it goes as |tan(t - a)| times one unknown number of the microphone's place, which is searched for with the axis.
 */
const AXES = 90
/** The unknown number |tan(p - a)|, as its logarithm. */
const PLACES = Array.from({ length: 25 }, (_, i) => (i - 12) / 3)
/** Ratios beyond this, as logarithms, say only that one pole is not heard. */
const FURTHEST = 3.2
const LEVEL_SD = 0.35
/** With one pole heard at every lug, the other may be anywhere: its distance is about this, relative to the pitch. */
const UNSEEN = 0.012

export interface StandingFit {
  /** Mean, and second harmonic as of the weighted pitch, in Hz^2. */
  mean: number
  cosine: number
  sine: number
  chiSquared: number
  variance: number
}

interface Heard {
  lug: number
  modes: ReadonlyArray<{ hz: number; levelDb: number; standardErrorHz: number }>
}

/** @returns null without a reading that carries poles; then the bare numbers are all there is. */
export function fitStanding(round: Round, lugs: number): StandingFit | null {
  const heard = (round.readings ?? []).map(withoutStrangers)
  if (heard.length === 0) return null
  const levels = twoPitches(heard)
  if (!levels) return null
  const { lowHz, highHz, errorHz } = levels
  const mean = (lowHz ** 2 + highHz ** 2) / 2
  const variance = (2 * Math.sqrt(mean) * errorHz) ** 2
  if (highHz === lowHz || heard.length < 3) {
    // One pitch at all lugs: the mean is near it, and nothing is said of the wave.
    const wide = (2 * mean * UNSEEN) ** 2
    return { mean, cosine: 0, sine: 0, chiSquared: 0, variance: variance + wide }
  }
  const middle = Math.sqrt(lowHz * highHz)
  const ratios = heard.map(({ lug, modes }) => {
    const level = (high: boolean) =>
      modes.filter(({ hz }) => hz > middle === high).reduce((sum, mode) => sum + 10 ** (mode.levelDb / 20), 0)
    return {
      angle: lugAngle(lug - 1, lugs),
      log: clamp(Math.log((level(true) + 1e-9) / (level(false) + 1e-9))),
    }
  })
  let best = { chiSquared: Infinity, axis: 0 }
  for (let step = 0; step < AXES; step++) {
    const axis = (Math.PI * step) / AXES
    for (const place of PLACES) {
      const chiSquared = ratios.reduce(
        (sum, { angle, log }) => {
          // The high pole has its antinode at the axis, the low one a quarter turn on.
          const expected = clamp(Math.log(Math.abs(Math.tan(angle - axis - Math.PI / 2)) + 1e-9) + place)
          return sum + ((log - expected) / LEVEL_SD) ** 2
        },
        (place / 2) ** 2,
      )
      if (chiSquared < best.chiSquared) best = { chiSquared, axis }
    }
  }
  const amplitude = (highHz ** 2 - lowHz ** 2) / 2
  return {
    mean,
    cosine: amplitude * Math.cos(2 * best.axis),
    sine: amplitude * Math.sin(2 * best.axis),
    chiSquared: best.chiSquared,
    variance,
  }
}

const clamp = (value: number) => Math.max(-FURTHEST, Math.min(FURTHEST, value))

function withoutStrangers({ lug, modes }: Heard): Heard {
  const loudest = modes.reduce((a, b) => (b.levelDb > a.levelDb ? b : a))
  return {
    lug,
    modes: modes.filter(
      ({ hz }) => Math.abs(CENTS_PER_NEPER * Math.log(hz / loudest.hz)) < WIDEST_POLES_CENTS,
    ),
  }
}

/** The two pitches of the head, from all poles heard at all lugs: the cut that leaves the least scatter on both sides. */
function twoPitches(heard: readonly Heard[]) {
  const poles = heard
    .flatMap(({ modes }) =>
      modes.map(({ hz, standardErrorHz }) => ({ hz, sd: Math.hypot(standardErrorHz, 4e-4 * hz) })),
    )
    .sort((a, b) => a.hz - b.hz)
  const group = (part: typeof poles) => {
    const weight = part.reduce((sum, { sd }) => sum + 1 / sd ** 2, 0)
    const mean = part.reduce((sum, { hz, sd }) => sum + hz / sd ** 2, 0) / weight
    const chi = part.reduce((sum, { hz, sd }) => sum + ((hz - mean) / sd) ** 2, 0)
    return { mean, chi, errorHz: Math.sqrt(Math.max(1, chi / Math.max(1, part.length - 1)) / weight) }
  }
  if (poles.length === 0) return null
  const one = group(poles)
  let best = { lowHz: one.mean, highHz: one.mean, errorHz: one.errorHz, chi: one.chi - TWO_EVIDENCE }
  for (let cut = 1; cut < poles.length; cut++) {
    const low = group(poles.slice(0, cut))
    const high = group(poles.slice(cut))
    const chi = low.chi + high.chi
    if (chi < best.chi)
      best = { lowHz: low.mean, highHz: high.mean, errorHz: Math.hypot(low.errorHz, high.errorHz) / 2, chi }
  }
  return best
}

/** How much less scatter two pitches must leave than one. */
const TWO_EVIDENCE = 12
