import { centsBetween } from '../units/pitch'
import { chooseLugMode, type Candidate } from './choose'
import { analyseTail, type AnalysedMode, type Analysis } from './modes'
import { readingOf } from './reading'
import type { Tail } from './tail'
import type { MeasureOptions } from './types'

export interface Found {
  analysis: Analysis
  candidates: Candidate<AnalysedMode>[]
  /** Error of the best candidate, in cents. */
  errorCents: number
}

const SHORTEST_WINDOW_SECONDS = 0.06
/** Later beginnings of the tail that are tried while the earlier ones are not well explained. */
const LATER_SECONDS = [0, 0.05, 0.12, 0.25, 0.4, 0.6, 0.85]
/** A tail is well explained when no more is left than this many times the noise, or this part of it. */
const LEFT_OVER_NOISE = 2.5
const LEFT_OF_ALL = 2e-4
/** An error this small needs no second look. */
const GOOD_ENOUGH_CENTS = 0.6
/** A later window must promise this much less error, and stay where a glide can have led. */
const BETTER = 0.7
const GLIDE_DOWN_CENTS = 300
const GLIDE_UP_CENTS = 40
/** A window that leaves more than this part of its energy unexplained says nothing about where later ones may lie. */
const MOST_UNEXPLAINED = 0.4

/**
 * Hard strokes glide far, and not as any model says: what cannot be explained from its beginning is measured later, where
 * the glide is over, as long as that promises a smaller error.
 */
export function bestWindow(tail: Tail, options: MeasureOptions): Found | null {
  let best: (Found & { left: number }) | null = null
  for (const laterSeconds of LATER_SECONDS) {
    if (tail.samples.length - laterSeconds * tail.rateHz < SHORTEST_WINDOW_SECONDS * tail.rateHz) break
    const analysis = analyseTail(tail, { mic: options.mic, laterSeconds })
    if (!analysis) continue
    const candidates = chooseLugMode(
      analysis.modes.filter((mode) => !mode.before),
      options,
    )
    if (candidates.length === 0) continue
    const left = 1 - analysis.explained
    if (!best || best.left > MOST_UNEXPLAINED) {
      if (!best || left < best.left)
        best = { analysis, candidates, errorCents: errorCents(candidates[0], analysis, options), left }
    } else {
      // The same tone, however faint it is by then beside those that ring longer.
      const { hz }: { hz: number } = best.candidates[0]
      const same: Found['candidates'][0] | undefined = candidates.find((candidate) =>
        mayHaveGlidedTo(hz, candidate.hz),
      )
      const error = same && errorCents(same, analysis, options)
      if (same && error! < BETTER * best.errorCents) {
        const others = candidates.filter((candidate) => candidate !== same)
        best = { analysis, candidates: [same, ...others], errorCents: error!, left }
      }
    }
    const power = tail.samples.subarray(0, analysis.fit.residuals.length).reduce((sum, x) => sum + x * x, 0)
    const residual = analysis.fit.residual / analysis.fit.residuals.length
    if (best.errorCents < GOOD_ENOUGH_CENTS) break
    if (residual < LEFT_OVER_NOISE * tail.noisePower || analysis.fit.residual < LEFT_OF_ALL * power) break
  }
  return best
}

function errorCents(candidate: Found['candidates'][0], analysis: Analysis, { mic }: MeasureOptions): number {
  const { hz, standardErrorHz } = readingOf(candidate, analysis, mic)
  return (1731.2 * standardErrorHz) / hz
}

function mayHaveGlidedTo(fromHz: number, toHz: number): boolean {
  const moved = centsBetween(fromHz, toHz)
  return moved > -GLIDE_DOWN_CENTS && moved < GLIDE_UP_CENTS
}
