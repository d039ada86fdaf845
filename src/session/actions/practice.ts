import { seedFromText } from '@/core/numeric/random'
import { lastKnown, benchHead } from '@/core/keeping/bench'
import { aimOf, sheetTarget } from '@/core/keeping/targets'
import type { KitState } from '@/core/keeping/log'
import { nearRods, roughRods, turnedByHand, usualLugHz, type PracticeDrum } from '@/core/practice/drum'
import type { Drum, Side } from '@/core/records/kit'
import type { PracticeState } from '@/core/records/practice'
import { play } from '@/audio/playback'
import { otherSide, type BenchView } from '../benchView'
import { practiceKey, type Session } from '../session'
import { currentView, expectation, takeTap } from './readings'

/** How far the near rods back off when asked to: an eighth to a quarter is what a hard set does (common practice). */
export const BACKED_OFF_TURNS = -0.2

function practiceDrum(drum: Drum, side: Side): PracticeDrum {
  return {
    seedText: `${drum.id}/${side}`,
    diameterInches: drum.diameterInches,
    depthInches: drum.depthInches,
    lugs: drum.lugs,
    hoop: drum[side].hoop,
    threadPitchMm: drum.threadPitchMm,
    pliesMils: drum[side].pliesMils,
    otherPliesMils: drum[otherSide(side)].pliesMils,
  }
}

/** Where the practice drum's rods stand; a head never simulated before is found rough, near its target. */
export function practiceState(session: Session, kit: KitState, drum: Drum, side: Side): PracticeState {
  const key = practiceKey({ kit: kit.id, drum: drum.id, side })
  const known = session.get().practice.get(key)
  if (known && known.rods.length === drum.lugs) return known
  return {
    kit: kit.id,
    drum: drum.id,
    side,
    taps: 0,
    ...roughRods(drum.lugs, aroundHz(session, kit, drum, side), seedFromText(key)),
  }
}

function aroundHz(session: Session, kit: KitState, drum: Drum, side: Side): number {
  const aim = aimOf(kit, drum.id, side)
  if (aim.kind === 'hz') return aim.hz
  const kept = sheetTarget(kit, drum.id, side)
  if (kept) return kept.meanHz
  const head = benchHead(kit, drum, side, true, session.get().clockMs)
  return lastKnown(head)?.meanHz ?? usualLugHz(drum.diameterInches, drum.threadPitchMm)
}

/** One tap on the practice drum: played, heard, and measured like any other. */
export async function tapPractice(
  session: Session,
  options: { audible: boolean } = { audible: true },
): Promise<boolean> {
  const view = currentView(session)
  if (!view || session.get().bench.busy) return false
  session.set({ bench: { ...session.get().bench, busy: 'tap' } })
  try {
    const state = practiceState(session, view.kit, view.drum, view.side)
    const other = practiceState(session, view.kit, view.drum, otherSide(view.side))
    const { tap, samples, rateHz } = await session.deps.ear().practiceTap({
      drum: practiceDrum(view.drum, view.side),
      rods: state,
      other: { lugHz: other.evenHz, muted: view.otherHead !== 'free' },
      lug: view.lug,
      seed: seedFromText(`${view.drum.id}/${view.side}/${state.taps}`),
      options: expectation(view),
    })
    if (options.audible) play(samples, rateHz)
    await session.setPractice([{ ...state, taps: state.taps + 1 }])
    return takeTap(session, view, tap, view.lug, 'practice')
  } finally {
    session.set({ bench: { ...session.get().bench, busy: null } })
  }
}

/** A refused tap is made again, as a hand would, this often. */
const TRIES = 3

/** Taps every lug that this pass still wants. Stops when a lug is refused again and again, or the Bench moves on. */
export async function tapRound(session: Session): Promise<void> {
  const start = currentView(session)
  if (!start) return
  let refused = 0
  while (refused < TRIES) {
    const view = currentView(session)
    if (!view || view.phase !== 'read' || view.drum.id !== start.drum.id || view.side !== start.side) return
    refused = (await tapPractice(session, { audible: false })) ? 0 : refused + 1
  }
}

/** The practice drum's rods follow the hand; called for turns made with the practice drum on the Bench. */
export async function turnPractice(
  session: Session,
  view: BenchView,
  turns: readonly number[],
): Promise<void> {
  const state = practiceState(session, view.kit, view.drum, view.side)
  const seed = seedFromText(`${practiceKey(state)}/${state.taps}/${JSON.stringify(state.rods)}`)
  await session.setPractice([{ ...state, rods: turnedByHand(state.rods, turns, seed) }])
}

/** Takes a turn of the practice drum back exactly: it was not made. */
export async function unturnPractice(
  session: Session,
  view: BenchView,
  turns: readonly number[],
): Promise<void> {
  const state = practiceState(session, view.kit, view.drum, view.side)
  await session.setPractice([{ ...state, rods: state.rods.map((rod, i) => rod - (turns[i] ?? 0)) }])
}

/** Puts the practice head out of tune, as if an unpractised hand had fitted it. */
export async function roughenPractice(session: Session): Promise<void> {
  const view = currentView(session)
  if (!view) return
  const { kit, drum, side } = view
  const state = practiceState(session, kit, drum, side)
  const seed = seedFromText(`${practiceKey(state)}/rough/${session.deps.newId()}`)
  await session.setPractice([{ ...state, ...roughRods(drum.lugs, aroundHz(session, kit, drum, side), seed) }])
  startOver(session, view)
  session.notify('The practice head is out of tune now. Read it from lug 1.')
}

/** Backs off the three rods nearest the player, as hard playing does. */
export async function backOffNearRods(session: Session): Promise<void> {
  const view = currentView(session)
  if (!view) return
  const state = practiceState(session, view.kit, view.drum, view.side)
  const near = nearRods(view.drum.lugs)
  const rods = state.rods.map((rod, i) => (near.includes(i) ? rod + BACKED_OFF_TURNS : rod))
  await session.setPractice([{ ...state, rods }])
  startOver(session, view)
  session.notify(`Rods ${near.map((rod) => rod + 1).join(', ')} backed off. Read the head again.`)
}

/** What happened to the rods unseen ends the history: the head is read anew, with what it taught kept. */
function startOver(session: Session, view: BenchView): void {
  session.append([
    { kind: 'sittingStarted', drum: view.drum.id, side: view.side, source: 'practice', algorithm: null },
  ])
  session.set({ bench: { lug: null, movedOn: false, lastTap: null, busy: null } })
}
