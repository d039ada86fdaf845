import { learnedFrom } from '../head/belief'
import { estimateHead } from '../head/estimate'
import type { SlackSchoolId } from '../head/slackStart'
import type { Learned } from '../head/types'
import type { HeadLog, SittingLog } from '../log/headLog'
import { roundsOf } from '../log/rounds'
import type { Drum, Side } from '../records/kit'
import { evenHeadOf } from './targets'

/** Sittings from which the drum's own answers are learned; older ones were other films or other seasons. */
const SITTINGS_LEARNED = 4
/** Learned answers may have changed between sittings: their widths grow by this factor. */
const FORGETTING = 1.15
/** Learned answers are never surer than this part: a head that changed must be able to say so. */
const LEAST_DOUBT = 0.1

export const startOf = (slack: SlackSchoolId | null) =>
  slack ? { start: 'slack' as const, slackSchool: slack } : {}

/**
 * What the sittings before one (by its place among those of this film) have taught, oldest first; null where they taught nothing.
 * @param learn how, where it was worked out elsewhere already
 */
export function learnedBefore(
  log: HeadLog,
  drum: Drum,
  side: Side,
  at: number,
  learn: typeof learnedOver = learnedOver,
): Learned | null {
  const teaching = [...log.older, ...log.sittings.slice(0, at)].slice(-SITTINGS_LEARNED)
  return (
    teaching.at(-1)?.derive('learned', [drum, side, ...teaching], () => learn(drum, side, teaching)) ?? null
  )
}

function learnedOver(drum: Drum, side: Side, sittings: readonly SittingLog[]): Learned | null {
  const head = evenHeadOf(drum, side, null)
  return sittings.reduce<Learned | null>((learned, each) => {
    const sitting = each.sitting(drum.lugs)
    if (sitting.passes.length < 2) return learned
    const rounds = roundsOf(sitting, drum.lugs, false)
    const options = { ...(learned ? { learned } : {}), ...startOf(sitting.slack) }
    const next = learnedFrom(estimateHead(head, rounds, options).belief)
    return {
      ...next,
      hz2PerTurnError: Math.max(next.hz2PerTurnError * FORGETTING, LEAST_DOUBT * next.hz2PerTurn),
      secondAnswerError: next.secondAnswerError * FORGETTING,
    }
  }, null)
}
