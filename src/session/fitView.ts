import { targetMeanHz } from '@/core/evening/types'
import { climb, type Climb } from '@/core/fitting/climb'
import { slackBelief } from '@/core/head/belief'
import { evenHeadOf } from '@/core/status/targets'
import type { BenchView } from './benchView'

/** The whole way up as it would be from finger-tight, to the target or, where none is set, back to where the head stands. */
export function climbFromSlack(view: BenchView, largestStepTurns: number): Climb | null {
  const { drum, side, request, head } = view
  const targetHz = targetMeanHz(request.target) ?? head.pitch.hz
  if (!targetHz) return null
  return climb({
    belief: slackBelief(evenHeadOf(drum, side, null), head.learned ?? undefined, 'fingers'),
    targetHz,
    largestStepTurns,
    turnedSinceReading: 0,
    anyReading: false,
  })
}
