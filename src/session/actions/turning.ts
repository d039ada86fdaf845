import type { HumbraEvent } from '@/core/records/event'
import type { Session } from '../session'
import { pressPractice, turnPractice, unturnPractice } from './practice'
import { currentView } from '../currentView'
import { setAim } from './sheets'

/** Turns per rod of the step's rods. */
function spread(lugs: number, rods: readonly number[], turns: readonly number[]): number[] {
  const all = new Array<number>(lugs).fill(0)
  rods.forEach((rod, i) => (all[rod - 1] += turns[i]))
  return all
}

function logTurns(session: Session, turns: number[], planned: number[] | null): void {
  const view = currentView(session)
  if (!view) return
  const { drum, side, practice } = view
  session.append([
    {
      kind: 'rodsTurned',
      drum: drum.id,
      side,
      turns,
      planned,
      source: practice ? 'practice' : 'hand',
      algorithm: null,
    },
  ])
  session.set({
    bench: {
      ...session.get().bench,
      ...{
        lastTap: null,
        heard: [],
        lug: null,
        stayNearHz: null,
        ...{ movedOn: false, toAim: planned?.every((turn, i) => turn === turns[i]) ?? false },
        missed: null,
        refusedAt: null,
        toneAsked: [],
      },
    },
  })
  if (practice) turnPractice(session, view, turns)
}

/** The next move was made as shown: a round of all rods on the way up from slack, else the step of the pass. */
export function turned(session: Session): void {
  const view = currentView(session)
  if (view?.phase === 'climb' && view.climb) {
    const turns = new Array<number>(view.drum.lugs).fill(view.climb.rounds[0])
    return logTurns(session, turns, turns)
  }
  const step = view?.steps[0]
  if (!view || view.phase !== 'turn' || !step) return
  const turns = spread(view.drum.lugs, step.rods, step.turns)
  logTurns(session, turns, turns)
}

/** All moves of the pass were made as shown. */
export function turnedAll(session: Session): void {
  const lugs = currentView(session)?.drum.lugs ?? 0
  for (let i = 0; i < 8 * lugs; i++) {
    const view = currentView(session)
    if (view?.phase !== 'turn' || view.steps.length === 0) return
    turned(session)
  }
}

/** All rods of the head by the same amount, at once: heard, and kept or taken back. */
export function turnedWhole(session: Session, turns: number): void {
  const lugs = currentView(session)?.drum.lugs ?? 0
  if (lugs > 0) logTurns(session, new Array<number>(lugs).fill(turns), null)
}

/** Where a turn of one's own brought the head is where it is wanted: its pitch, and uneven as it was turned. */
export function keepHere(session: Session): void {
  const view = currentView(session)
  const hz = view?.head.pitch.hz
  if (!view?.lastTurn || !hz) return
  const { drum, side, lastTurn, aim } = view
  const at = Math.round(10 * hz) / 10
  const mean = lastTurn.reduce((sum, turn) => sum + turn, 0) / lastTurn.length
  const before = aim.kind === 'offsets' ? aim.offsetTurns : []
  const offsetTurns = lastTurn.map((turn, i) => turn - mean + (before[i] ?? 0))
  const even = offsetTurns.every((turn) => Math.abs(turn) < 1e-6)
  setAim(session, drum, side, even ? { kind: 'hz', hz: at } : { kind: 'offsets', hz: at, offsetTurns })
  toAim(session)
}

/** What is left to the aim is shown behind a turn of one's own. */
export function toAim(session: Session): void {
  session.set({ bench: { ...session.get().bench, toAim: true } })
}

/** What was really turned in place of the next move; the move counts as made. */
export function turnedOtherwise(session: Session, turns: readonly number[]): void {
  const view = currentView(session)
  if (!view) return
  const step = view.phase === 'turn' ? view.steps[0] : undefined
  logTurns(session, [...turns], step ? spread(view.drum.lugs, step.rods, step.turns) : null)
}

export function pressed(session: Session): void {
  const view = currentView(session)
  if (!view) return
  session.append([
    {
      kind: 'pressed',
      drum: view.drum.id,
      side: view.side,
      source: view.practice ? 'practice' : 'hand',
      algorithm: null,
    },
  ])
  if (view.practice) pressPractice(session, view)
}

/** Shows the next move although some lugs were not read. */
export function moveOn(session: Session): void {
  session.set({ bench: { ...session.get().bench, movedOn: true, lug: null } })
}

/** Undoing a turn: it was not made at all. */
export function turnNotMade(session: Session, event: Extract<HumbraEvent, { kind: 'rodsTurned' }>): void {
  const view = currentView(session)
  if (session.get().acts.done.at(-1)?.events[0]?.id === event.id) session.undo()
  else session.append([{ kind: 'withdrawn', event: event.id, source: 'hand', algorithm: null }], event.kit)
  if (view && event.source === 'practice') unturnPractice(session, view, event.turns)
}

/** Undoing a turn: the rods were turned back by hand. */
export function turnedBack(session: Session, event: Extract<HumbraEvent, { kind: 'rodsTurned' }>): void {
  const back = event.turns.map((turn) => -turn)
  const view = currentView(session)
  if (!view) return
  session.append(
    [
      {
        kind: 'rodsTurned',
        drum: event.drum,
        side: event.side,
        turns: back,
        planned: event.planned && event.planned.map((turn) => -turn),
        source: event.source,
        algorithm: null,
      },
    ],
    event.kit,
  )
  if (event.source === 'practice') turnPractice(session, view, back)
}
