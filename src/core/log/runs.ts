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
  /** Heads left as they are, why, and by which event. Keyed by `headKey`. */
  left: Map<string, { why: EventOf<'runLeft'>['why']; event: string }>
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
    if (event.kind === 'runEnded') {
      const found = new Map(event.found?.map((head) => [headKey(head.drum, head.side), head]))
      const before = run.before.map((head) => found.get(headKey(head.drum, head.side)) ?? head)
      return { ...run, endedAt: event.at, before, after: event.after }
    }
    const { why, id } = event
    return { ...run, left: new Map(run.left).set(headKey(event.drum, event.side), { why, event: id }) }
  })
}

/** The run that is going on; null when none is. */
export function openRun(runs: readonly Run[]): Run | null {
  return runs.findLast((run) => run.endedAt === null) ?? null
}
