import type { EvenRequest } from '@/core/evening/types'
import { searchTurns } from '@/core/evening/search'
import { HAND_ERROR_TURNS } from '@/core/head/hand'
import { harmonicsOf } from '@/core/head/harmonics'
import { practiceHead } from '@/core/practice/drum'
import { lugTruth } from '@/core/practice/model'
import type { BenchHead, drumOf } from './heads'

const WAVE_WEIGHT = 3
const PROBE_TURNS = 0.02
const WORTH_CENTS2 = 0.15

/**
 * A controller that sees where the rods truly stand and what each of them truly does, with the same hand, steps and
 * quantum, tolerance, and the same search. What it leaves is what a hand can do.
 */
export function oracle(
  head: BenchHead,
  request: EvenRequest,
  drum: ReturnType<typeof drumOf>,
): number[] | null {
  const target = (request.target as { hz: number }).hz ** 2
  const state = drum.state()
  const seen = (rods: readonly number[]) =>
    harmonicsOf(
      lugTruth(
        practiceHead(drum.drum, { ...state, rods, seats: rods }, { lugHz: head.hz, muted: true }),
      ).lugHz.map((hz) => hz * hz),
    )
  const now = seen(state.rods)
  const tolerance = request.toleranceCents!
  const spread = (1731.2 / target) * Math.hypot(now.cosine, now.sine)
  const off = Math.abs((1731.2 / (2 * target)) * (now.mean - target))
  if (spread <= tolerance && off <= tolerance) return null
  const answers = state.rods.map((_, rod) => {
    const moved = seen(state.rods.map((value, i) => (i === rod ? value + PROBE_TURNS : value)))
    return {
      mean: (moved.mean - now.mean) / PROBE_TURNS,
      cosine: (moved.cosine - now.cosine) / PROBE_TURNS,
      sine: (moved.sine - now.sine) / PROBE_TURNS,
    }
  })
  const scale = (1731.2 / (2 * target)) ** 2
  const cost = (turns: readonly number[]) => {
    let mean = now.mean - target
    let cosine = now.cosine
    let sine = now.sine
    let hand = 0
    turns.forEach((turn, rod) => {
      if (turn === 0) return
      const answer = answers[rod]
      mean += answer.mean * turn
      cosine += answer.cosine * turn
      sine += answer.sine * turn
      hand +=
        HAND_ERROR_TURNS ** 2 * (answer.mean ** 2 + WAVE_WEIGHT * (answer.cosine ** 2 + answer.sine ** 2))
    })
    return scale * (mean ** 2 + WAVE_WEIGHT * (cosine ** 2 + sine ** 2) + hand)
  }
  const most = request.largestStepTurns ?? 0.25
  const none = new Array<number>(head.lugs).fill(0)
  const turns = searchTurns(head.lugs, cost, {
    lowest: none.map(() => -most),
    highest: none.map(() => most),
    quantumTurns: 1 / 32,
    singles: true,
    turnedSoFar: none,
  })
  return cost(turns) < cost(none) - WORTH_CENTS2 ? turns : null
}
