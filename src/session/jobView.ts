import { createSelector } from 'reselect'
import { drumJob, type DrumJob } from '@/core/status/line'
import { isOpen, nextStop } from '@/core/status/next'
import { hasStep, lineOf, type StepId, type Stop } from '@/core/status/steps'
import type { Drum, Side } from '@/core/records/kit'
import { sidesOf } from '@/core/records/plain'
import { nextInRun } from './actions/run'
import { dialOf } from './here'
import { benchView, type BenchView } from './benchView'
import { sameTime } from './sameTime'
import type { SessionState } from './state'

/** The job of the drum on the Bench: how every step stands, where one is, what comes next. */
export interface JobView {
  job: DrumJob
  line: Stop[]
  at: Stop
  /** Null while the step at hand has something left, or where nothing comes. */
  next: Next | null
}

/** What the line names next: a stop of this drum, or a head of another, by the run or by the kit. */
export type Next = { stop: Stop } | { drum: Drum; side: Side }

/** A step that this drum does not have is none of it: its batter is evened instead. */
export function stepOf(drum: Drum, step: StepId): StepId {
  return hasStep(drum, step) ? step : 'even'
}

const benchJob = createSelector(
  [
    (state: SessionState) => benchView(state)?.kit ?? null,
    (state: SessionState) => benchView(state)?.drum ?? null,
    (state: SessionState) => benchView(state)?.side ?? 'batter',
    (state: SessionState) => benchView(state)?.practice ?? false,
    (state: SessionState) => benchView(state)?.head.sitting ?? null,
    dialOf,
    sameTime,
  ],
  // The sitting decides which of the log's sittings is going on.
  (kit, drum, side, practice, _sitting, gauge, nowMs) =>
    kit && drum ? drumJob({ kit, practice, nowMs, gauge }, drum, side) : null,
)

export const jobView: (state: SessionState) => JobView | null = createSelector(
  [
    benchView,
    benchJob,
    (state: SessionState) => state.step,
    (state: SessionState) => {
      const view = benchView(state)
      // By the minute: doors come nearer.
      return view ? nextInRun(state, view.kit, state.clockMs) : null
    },
  ],
  (view, job, step, inRun) => {
    if (!view || !job) return null
    const at: Stop = { step: stepOf(view.drum, step), side: view.side }
    return {
      job: inPass(view, job),
      line: lineOf(view.drum, view.side),
      at,
      next: nextOf(view, job, at, inRun),
    }
  },
)

/** In the middle of a pass its moves are what comes next: the log knows only of those that were made. */
function inPass({ phase, steps, drum, side }: BenchView, job: DrumJob): DrumJob {
  if (phase !== 'climb' && !(phase === 'turn' && steps.length)) return job
  return { ...job, next: { ...job.next, [side]: { what: 'turn', drum: drum.id, side } } }
}

function nextOf(
  view: BenchView,
  job: DrumJob,
  at: Stop,
  inRun: { drum: Drum; side: Side } | null,
): Next | null {
  const left =
    at.step === 'even' ? view.phase !== 'done' || view.advice?.plan.done === false : isOpen(job, at)
  if (left && (at.step === 'even' || at.step === 'look')) return null
  const stop = nextStop(job, at)
  const other = stop?.step === 'even' && stop.side !== view.side && job.aims[stop.side] !== null
  // A run goes from head to head; only what belongs together comes first.
  if (inRun && !other) return { drum: inRun.drum, side: inRun.side }
  if (stop) return { stop }
  const { drums } = view.kit
  const here = drums.findIndex(({ id }) => id === view.drum.id)
  const next = drums[(here + 1) % drums.length]
  return drums.length > 1 ? { drum: next, side: sidesOf(next).at(-1)! } : null
}

/** Whether a head is being evened: the step that its drum does not have is that too. */
export const isEvening = (state: SessionState): boolean => jobView(state)?.at.step === 'even'
