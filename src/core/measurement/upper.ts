import { modeHz, MODE_SHAPES, tensionFromLugHz, type Head } from '../membrane/modes'
import { CENTS_PER_NEPER } from '../units/pitch'
import type { Mode } from './types'

/** A lug pitch told by the tones above it, where the lowest could not be read. */
export interface UpperReading {
  hz: number
  errorCents: number
  /** The tones used: which mode each is taken for. */
  used: Array<{ m: number; n: number; hz: number }>
}

/** Modes that a lug tap shows above its own: (2,1), (3,1), (1,2), (4,1); the centre finger takes those with m = 0. */
const UPPER = MODE_SHAPES.filter(({ m, n }) => m > 0 && !(m === 1 && n === 1))
/** Heads keep the pattern of the ideal one with its air within this, from drum to drum (upper modes repeat as ratios within 1
 * to 8 cents on one drum; what is left is how well the air is known). */
const PATTERN_CENTS = 35
const MATCH_CENTS = 110
/** Pitches within so many of the expectation's widths are tried. */
const REACH = 4.9
/** Finer than what the pattern is known to. */
const STEP = 1.008
/** A tone that the pattern leaves unused speaks against it; so does a mode of the pattern that is not there. */
const UNUSED = 1.6
const ABSENT = 1.0
const FAINT_DB = -26

/**
 * The lug pitch of a low head from at least two of its upper modes: every pitch is tried, the air-loaded pattern of the head
 * (`membrane/modes`) laid over the tones found, and the likelihood read off. Null where fewer than two fit, or two pitches
 * fit alike.
 * @param modes tones found in the tap, loudest first
 * @param expect what is known of the pitch before, in Hz, and how sure in cents
 */
export function lugByUpperModes(
  head: Head,
  modes: readonly Mode[],
  expect: { hz: number; cents: number },
): UpperReading | null {
  const tones = modes.filter(({ levelDb }) => levelDb > FAINT_DB).map(({ hz }) => hz)
  if (tones.length < 2) return null
  const tried: Array<{ hz: number; score: number; used: UpperReading['used'] }> = []
  const reach = Math.exp((REACH * expect.cents) / CENTS_PER_NEPER)
  for (let hz = expect.hz / reach; hz < expect.hz * reach; hz *= STEP) {
    const prior = -0.5 * ((CENTS_PER_NEPER * Math.log(hz / expect.hz)) / expect.cents) ** 2
    const tension = tensionFromLugHz(head, hz)
    const used: UpperReading['used'] = []
    let score = prior
    for (const shape of UPPER) {
      const at = modeHz(head, shape, tension)
      const near = tones
        .filter((tone) => !used.some((other) => other.hz === tone))
        .map((tone) => ({ tone, off: CENTS_PER_NEPER * Math.log(tone / at) }))
        .sort((a, b) => Math.abs(a.off) - Math.abs(b.off))[0]
      if (near && Math.abs(near.off) < MATCH_CENTS) {
        used.push({ m: shape.m, n: shape.n, hz: near.tone })
        score -= 0.5 * (near.off / PATTERN_CENTS) ** 2
      } else score -= ABSENT
    }
    score -= UNUSED * (tones.length - used.length)
    if (used.length >= 2) tried.push({ hz, score, used })
  }
  if (tried.length === 0) return null
  const best = tried.reduce((a, b) => (b.score > a.score ? b : a))
  const weights = tried.map(({ score }) => Math.exp(score - best.score))
  const total = weights.reduce((sum, w) => sum + w, 0)
  const mean = tried.reduce((sum, { hz }, i) => sum + weights[i] * Math.log(hz), 0) / total
  const variance = tried.reduce((sum, { hz }, i) => sum + weights[i] * (Math.log(hz) - mean) ** 2, 0) / total
  const errorCents = CENTS_PER_NEPER * Math.sqrt(variance + 1e-8)
  return errorCents > AMBIGUOUS_CENTS ? null : { hz: Math.exp(mean), errorCents, used: best.used }
}

/** Wider than this, more than one pitch fits. */
const AMBIGUOUS_CENTS = 90
