import type { Scheme } from './types'

/** The triad from the lowest drum up: a major third, a minor third, then a fourth to the octave of the root. */
const TRIAD = [400, 300, 500]

/**
 * What a scheme wants of the gap between two neighbouring toms, in cents: any one of these; empty where it wants nothing.
 * @param gap number of the gap, 0 between the lowest tom and the next
 * @param gaps how many there are
 */
export function wantedCents(scheme: Scheme, gap: number, gaps: number): number[] {
  switch (scheme.kind) {
    case 'fourths':
      return [500]
    case 'fifth':
      return [700]
    case 'thirds':
      return [400, 300]
    case 'major-triad':
      return [TRIAD[gap % TRIAD.length]]
    case 'equal':
      return [scheme.cents]
    case 'steps': {
      const step = scheme.cents[gaps - 1 - gap]
      return step === undefined ? [] : [step]
    }
    case 'free':
      return []
  }
}
