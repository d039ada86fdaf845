import type { EventOf, RunEvent } from '../records/event'
import type { RunHead } from '../records/sheet'
import { headKey } from './headKey'

/** A walk through the kit to a sheet. What was done since is in the heads' own events; this is its frame. */
export interface Run {
  id: string
  sheet: string
  startedAt: string
  doorsAt: string | null
  before: RunHead[]
  /** Heads left as they are, and why. Keyed by `headKey`. */
  left: Map<string, EventOf<'runLeft'>['why']>
  endedAt: string | null
  after: RunHead[]
}

export function withRunEvent(runs: readonly Run[], event: RunEvent): Run[] {
  if (event.kind === 'runStarted') {
    const { run: id, sheet, at: startedAt, doorsAt, before } = event
    return [...runs, { id, sheet, startedAt, doorsAt, before, left: new Map(), endedAt: null, after: [] }]
  }
  return runs.map((run) => {
    if (run.id !== event.run) return run
    if (event.kind === 'runEnded') return { ...run, endedAt: event.at, after: event.after }
    return { ...run, left: new Map(run.left).set(headKey(event.drum, event.side), event.why) }
  })
}

/** The run that is going on; null when none is. */
export function openRun(runs: readonly Run[]): Run | null {
  return runs.findLast((run) => run.endedAt === null) ?? null
}
