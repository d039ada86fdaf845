import { DRILLS } from './kinds'
import { nextLevel, stairsOf, type DrillRun } from './result'
import { makeTrial, type Trial } from './trial'

/** The next trial of a run. */
export function nextTrial(run: DrillRun): Trial {
  const count = run.answered.length
  const level = nextLevel(DRILLS[run.kind].scale, stairsOf(run), count)
  return makeTrial(run.kind, run.drum, level, run.seed + 7919 * (count + 1))
}
