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
  /** What all windows that were tried say of its pitch: the mean, and how far they scatter about it. */
  pitch: { hz: number; scatterHz: number }
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
/** Windows that are surer than so many times the best one's error have a say in the pitch. */
const POOLED_TO = 1.4
/** A window that leaves more than this part of its energy unexplained says nothing about where later ones may lie. */
const MOST_UNEXPLAINED = 0.4

/**
 * Hard strokes glide far, and not as any model says: what cannot be explained from its beginning is measured later, where
 * the glide is over, as long as that promises a smaller error.
 */
export function bestWindow(tail: Tail, options: MeasureOptions): Found | null {
  let best: (Omit<Found, 'pitch'> & { left: number }) | null = null
  const said: Array<{ hz: number; errorCents: number }> = []
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
      if (best.left <= MOST_UNEXPLAINED) said.push({ hz: best.candidates[0].hz, errorCents: best.errorCents })
    } else {
      // The same tone, however faint it is by then beside those that ring longer.
      const { hz }: { hz: number } = best.candidates[0]
      const same: Found['candidates'][0] | undefined = candidates.find((candidate) =>
        mayHaveGlidedTo(hz, candidate.hz),
      )
      const error = same && errorCents(same, analysis, options)
      if (same) said.push({ hz: same.hz, errorCents: error! })
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
  return best && { ...best, pitch: pooled(best.candidates[0].hz, best.errorCents, said) }
}

/** Windows overlap, so together they are no surer than the best; that they agree, or do not, is worth knowing. */
function pooled(hz: number, bestCents: number, said: ReadonlyArray<{ hz: number; errorCents: number }>) {
  const near = said.filter((each) => each.errorCents < POOLED_TO * bestCents)
  if (bestCents < GOOD_ENOUGH_CENTS || near.length < 2) return { hz, scatterHz: 0 }
  let weight = 0
  let sum = 0
  let squares = 0
  for (const each of near) {
    const w = each.errorCents ** -2
    weight += w
    sum += w * (each.hz - hz)
    squares += w * (each.hz - hz) ** 2
  }
  const mean = sum / weight
  return { hz: hz + mean, scatterHz: Math.sqrt(Math.max(0, squares / weight - mean ** 2)) }
}

function errorCents(candidate: Found['candidates'][0], analysis: Analysis, { mic }: MeasureOptions): number {
  const { hz, standardErrorHz } = readingOf(candidate, analysis, mic)
  return (1731.2 * standardErrorHz) / hz
}

function mayHaveGlidedTo(fromHz: number, toHz: number): boolean {
  const moved = centsBetween(fromHz, toHz)
  return moved > -GLIDE_DOWN_CENTS && moved < GLIDE_UP_CENTS
}
