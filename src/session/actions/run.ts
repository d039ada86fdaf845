import { weakMapMemoize } from 'reselect'
import type { Sheet } from '@/core/log/sheets'
import { openRun, type Run } from '@/core/log/runs'
import { foundHeads, leaveOut, runHeads, wantsWork, worklist, type WorkItem } from '@/core/status/worklist'
import { headKey } from '@/core/log/headKey'
import type { KitState } from '@/core/log/fold'
import type { EventOf } from '@/core/records/event'
import type { Side } from '@/core/records/kit'
import type { Gauge } from '@/core/status/inputs'
import { dialOf } from '../here'
import type { SessionState } from '../state'
import type { Session } from '../session'
import { chooseHead } from './kits'
import { aimAtSheet } from './sheets'
import { kitEdit } from './edits'

/** Playing starts before doors: so many minutes are kept for putting the keys away. */
export const RESERVE_MINUTES = 3

export interface RunView {
  run: Run
  sheet: Sheet
  /** All heads that the sheet speaks of, most in need first. */
  items: WorkItem[]
  /** What still wants a look or a turn and was not left, in order. */
  todo: WorkItem[]
  /** Of these, what there is no time for. */
  noTime: Set<WorkItem>
  minutesNeeded: number
  /** Until doors, less the reserve; null without a time. */
  minutesLeft: number | null
}

/** A list stands for ten seconds: what drifts meanwhile is nothing. */
const FRESH_MS = 10_000
const listOf = weakMapMemoize((kit: KitState, sheet: Sheet, keys: 1 | 2, gauge: Gauge, nowMs: number) =>
  worklist({ ...{ kit, sheet, keys, nowMs, gauge }, practice: kit.simulated }),
)

/** Every head that a sheet speaks of, as it is believed to stand. */
export function workTo(
  state: Pick<SessionState, 'settings'>,
  kit: KitState,
  sheet: Sheet,
  nowMs: number,
): WorkItem[] {
  return listOf(kit, sheet, state.settings.keys, dialOf(state), Math.floor(nowMs / FRESH_MS) * FRESH_MS)
}

/** What there is no time for before doors, said before a run is begun. */
export function tooMuch(items: readonly WorkItem[], doorsAt: string | null, nowMs: number): WorkItem[] {
  if (doorsAt === null) return []
  const minutes = (Date.parse(doorsAt) - nowMs) / 60_000 - RESERVE_MINUTES
  return [...leaveOut(items.filter(wantsWork), Math.max(0, minutes))]
}

/** The run that is going on; null when none is, or its sheet is gone. */
export function runView(
  state: Pick<SessionState, 'settings'>,
  kit: KitState | null,
  nowMs: number,
): RunView | null {
  const run = kit && openRun(kit.runs)
  const sheet = run && kit.sheets.find(({ id }) => id === run.sheet)
  if (!kit || !run || !sheet) return null
  const items = workTo(state, kit, sheet, nowMs)
  const todo = items.filter((item) => wantsWork(item) && !run.left.has(headKey(item.drum.id, item.side)))
  const minutesLeft =
    run.doorsAt === null ? null : (Date.parse(run.doorsAt) - nowMs) / 60_000 - RESERVE_MINUTES
  return {
    ...{ run, sheet, items, todo, minutesLeft },
    noTime: minutesLeft === null ? new Set() : leaveOut(todo, Math.max(0, minutesLeft)),
    minutesNeeded: todo.reduce((sum, { minutes }) => sum + minutes, 0),
  }
}

const hand = { source: 'hand' as const, algorithm: null }

/** Begins a walk through the kit: the sheet becomes what every head is held against. */
export function startRun(session: Session, sheet: Sheet, doorsAt: string | null): void {
  const kit = session.kit()
  if (!kit) return
  const run = session.deps.newId()
  const was = kit.sheet
  session.together('the start of the retune run', () => {
    if (kit.sheet !== sheet.id) session.append([kitEdit({ what: 'sheetChosen', sheet: sheet.id })])
    aimAtSheet(session, sheet.versions.at(-1)?.drums.values() ?? [])
    const before = runHeads(workTo(session.get(), session.kit()!, sheet, session.deps.nowMs()))
    session.append([{ kind: 'runStarted', run, sheet: sheet.id, doorsAt, before, ...hand }])
  })
  if (was !== sheet.id) session.notify(`The kit is held against ${sheet.name} now.`, { undo: true })
  goToNext(session, true)
}

/** The next head of the run that is going on: another one than is on the Bench, unless it is the last; null when none is left. */
export function nextInRun(
  state: Pick<SessionState, 'settings'>,
  kit: KitState,
  nowMs: number,
): WorkItem | null {
  const view = runView(state, kit, nowMs)
  const { drum, side } = state.settings
  return (
    view?.todo.find((item) => !view.noTime.has(item) && (item.drum.id !== drum || item.side !== side)) ?? null
  )
}

/**
 * Puts the next head of the run on the Bench: another one than is there, unless it is the last, or `first` of all.
 * @returns false when nothing is left to do
 */
export function goToNext(session: Session, first = false): boolean {
  const view = runView(session.get(), session.kit(), session.deps.nowMs())
  const { drum, side } = session.get().settings
  if (!view) return false
  const inTime = view.todo.filter((item) => !view.noTime.has(item))
  const other = inTime.find((item) => item.drum.id !== drum || item.side !== side)
  const next = first ? inTime[0] : (other ?? inTime[0])
  if (!next) return false
  chooseHead(session, next.drum.id, next.side)
  return true
}

/** This head is left as it is, with the reason, and the run goes on. */
export function leaveHead(session: Session, drum: string, side: Side, why: EventOf<'runLeft'>['why']): void {
  const view = runView(session.get(), session.kit(), session.deps.nowMs())
  if (!view) return
  session.append([{ kind: 'runLeft', run: view.run.id, drum, side, why, ...hand }])
  const at = session.get().settings
  if (at.drum === drum && at.side === side) goToNext(session)
}

/** A head that was left is in the run again. */
export function takeUpAgain(session: Session, drum: string, side: Side): void {
  const view = runView(session.get(), session.kit(), session.deps.nowMs())
  const left = view?.run.left.get(headKey(drum, side))
  if (left) session.append([{ kind: 'withdrawn', event: left.event, source: 'hand', algorithm: null }])
}

/** Ends the run: what was not done counts as left for want of time. */
export function endRun(session: Session): void {
  const view = runView(session.get(), session.kit(), session.deps.nowMs())
  if (!view) return
  const { run, sheet, items, todo } = view
  const kit = session.kit()!
  const nowMs = session.deps.nowMs()
  const { settings } = session.get()
  const way = { ...{ kit, sheet, nowMs, keys: settings.keys, gauge: settings }, practice: kit.simulated }
  const found = foundHeads(way, run.before, Date.parse(run.startedAt))
  session.append([
    ...todo.map(({ drum, side }) => ({
      ...{ kind: 'runLeft' as const, run: run.id, drum: drum.id, side, why: 'time' as const },
      ...hand,
    })),
    { kind: 'runEnded', run: run.id, found, after: runHeads(items), ...hand },
  ])
}
