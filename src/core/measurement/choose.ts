import { WIDEST_PAIR_CENTS } from '../membrane/modes'
import { turnLawPrior } from '../membrane/turnLaw'
import { logNormalDensity } from '../numeric/normal'
import { centsBetween } from '../units/pitch'
import type { MeasureOptions, Mode } from './types'

/** Which of the modes is the lug pitch. */
export interface Candidate<M extends Mode> {
  /** One pole, or the two of a (1,1) pair, louder first. */
  poles: M[]
  /** The poles that make up the number: both, or the louder one of two that lie far apart. */
  read: M[]
  /** Amplitude-weighted mean of those. */
  hz: number
  odds: number
}

/** The weaker pole of a pair still counts down to this level against the other. */
const WEAKEST_POLE_DB = -32
/** Further apart than so many widths of a pole they are two tones, one of which may be the other head's. */
const PARTED_WIDTHS = 4
/** Both poles are one motion of one film: their decays agree within this factor. */
const DECAY_FACTOR = 1.7
/** Without anything else known: lug pitches of a size lie around 0.4 to 1.5 turns above slack. */
const USUAL_TURNS = 0.8
const SIZE_PRIOR_CENTS = 700
/** An expectation can be wrong altogether: this much of the prior stays wide. */
const WRONG_EXPECTATION = 0.02
const DEFAULT_EXPECT_CENTS = 120

/** A loud tone below, down to this part of the pitch, says that this is a higher one: nothing of a head lies lower. */
const LOWEST_BELOW = 0.25

/** Groups modes into candidates and weighs them; best first. Empty when the band leaves none. */
export function chooseLugMode<M extends Mode>(modes: readonly M[], options: MeasureOptions): Candidate<M>[] {
  const groups = group(modes).filter(({ hz }) => {
    const band = options.bandHz
    return !band || (hz >= band[0] && hz <= band[1])
  })
  const scores = groups.map(
    (candidate) => logPrior(candidate.hz, options) + logPattern(candidate, modes, options.tap),
  )
  const top = Math.max(...scores)
  const weights = scores.map((score) => Math.exp(score - top))
  const total = weights.reduce((sum, w) => sum + w, 0)
  return groups
    .map((candidate, i) => ({ ...candidate, odds: weights[i] / total }))
    .sort((a, b) => b.odds - a.odds)
}

function group<M extends Mode>(modes: readonly M[]): Array<{ poles: M[]; read: M[]; hz: number }> {
  const free = [...modes].sort((a, b) => b.levelDb - a.levelDb)
  const groups: Array<{ poles: M[]; read: M[]; hz: number }> = []
  while (free.length) {
    const first = free.shift()!
    const partner = free.findIndex(
      (other) =>
        Math.abs(centsBetween(first.hz, other.hz)) < WIDEST_PAIR_CENTS &&
        other.levelDb - first.levelDb > WEAKEST_POLE_DB &&
        other.decaySeconds < DECAY_FACTOR * first.decaySeconds &&
        first.decaySeconds < DECAY_FACTOR * other.decaySeconds,
    )
    const poles = partner < 0 ? [first] : [first, ...free.splice(partner, 1)]
    const read = poles.length > 1 && areParted(first, poles[1]) ? [first] : poles
    groups.push({ poles, read, hz: weightedHz(read) })
  }
  return groups
}

/**
 * Are two poles so far apart that a listener names the louder one and not their middle? A pole is 1 / (pi decay) wide.
 */
export function areParted(
  a: Pick<Mode, 'hz' | 'decaySeconds'>,
  b: Pick<Mode, 'hz' | 'decaySeconds'>,
): boolean {
  return Math.abs(a.hz - b.hz) * Math.PI * Math.sqrt(a.decaySeconds * b.decaySeconds) > PARTED_WIDTHS
}

/** Amplitude-weighted mean pitch of some poles. */
export function weightedHz(poles: ReadonlyArray<Pick<Mode, 'hz' | 'levelDb'>>): number {
  let weight = 0
  let sum = 0
  for (const pole of poles) {
    const w = 10 ** (pole.levelDb / 20)
    weight += w
    sum += w * pole.hz
  }
  return sum / weight
}

/** Log density of a lug pitch, by what is expected of it and by the head's size. */
export function logPrior(hz: number, options: MeasureOptions): number {
  const wide = options.diameterInches
    ? logNormalDensity(centsBetween(usualHz(options.diameterInches, options.tap), hz), SIZE_PRIOR_CENTS)
    : -Math.log(4000)
  if (!options.expectHz) return wide
  const near = logNormalDensity(
    centsBetween(options.expectHz, hz),
    options.expectCents ?? DEFAULT_EXPECT_CENTS,
  )
  return Math.log(WRONG_EXPECTATION * Math.exp(wide) + (1 - WRONG_EXPECTATION) * Math.exp(near))
}

/** A drum's centre pitch lies a fifth to a sixth under its lug pitch (common practice, no source). */
const EDGE_TO_CENTRE = 1.55

function usualHz(diameterInches: number, tap: MeasureOptions['tap']): number {
  const lugHz = Math.sqrt(USUAL_TURNS * turnLawPrior(diameterInches).mean)
  return tap === 'centre' ? lugHz / EDGE_TO_CENTRE : lugHz
}

/**
 * How well the other modes fit if this one is the (1,1): the lug mode is the loudest near the rim with the centre
 * touched, and the (2,1) stands 1.33 to 1.46 above it, either of them half a per cent aside where it is a pair. Of a centre
 * tap only the second holds: the lowest mode that rings loud is the drum's own pitch.
 */
function logPattern<M extends Mode>(
  candidate: { poles: M[]; hz: number },
  modes: readonly M[],
  tap: MeasureOptions['tap'],
): number {
  const level = Math.max(...candidate.poles.map((pole) => pole.levelDb))
  let score = 0.115 * level
  const has = (low: number, high: number, weakestDb: number) =>
    modes.some((mode) => {
      const ratio = mode.hz / candidate.hz
      return ratio > low && ratio < high && mode.levelDb > weakestDb
    })
  if (tap !== 'centre' && has(1.315, 1.47, level - 30)) score += 1.2
  // With the centre touched the lug mode is the lowest that rings loud: a loud one below says that this is a higher one.
  if (has(LOWEST_BELOW, 0.9, level - 12)) score -= 2.5
  return score
}
