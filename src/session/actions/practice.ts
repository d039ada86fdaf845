import { headIn } from '@/core/status/drum'
import { likelyHz } from '@/core/status/head'
import { hereOf } from '../here'
import { NO_BENCH } from '../state'
import { nearRods } from '@/core/kit/uneven'
import { endFaultSearch } from './findings'
import { seededRandom, seedFromText } from '@/core/numeric/random'
import { aimOf, sheetTarget } from '@/core/status/targets'
import type { KitState } from '@/core/log/fold'
import { causesOf } from '@/core/fitting/faults'
import type { CauseId } from '@/core/fitting/causes'
import type { SlackSchoolId } from '@/core/head/slackStart'
import type { Faults } from '@/core/practice/nature'
import { lugTruth } from '@/core/practice/model'
import type { AllAnswers } from '@/core/practice/answers'
import { plant } from '@/core/practice/plant'
import {
  afterPressing,
  afterTurning,
  practiceHead,
  roughRods,
  slackRods,
  turnedByHand,
  type PracticeDrum,
} from '@/core/practice/drum'
import type { Drum, Side } from '@/core/records/kit'
import type { PracticeState } from '@/core/records/practice'
import { play } from '@/audio/playback'
import { otherSide, type BenchView } from '../benchView'
import { practiceKey } from '@/core/records/plain'
import type { Session } from '../session'
import { expectation, takeTap } from './readings'
import { currentView } from '../currentView'

/** How far the near rods back off when asked to: an eighth to a quarter is what a hard set does (common practice). */
const BACKED_OFF_TURNS = -0.2

export function practiceDrum(drum: Drum, side: Side, { faults }: PracticeState): PracticeDrum {
  const bed =
    drum.kind === 'snare' && side === 'resonant'
      ? { snareBedMm: BED_MM, snareBedAt: drum.badgeAtLug ? 0 : -0.5 / drum.lugs }
      : null
  return {
    seedText: `${drum.id}/${side}`,
    diameterInches: drum.diameterInches,
    depthInches: drum.depthInches,
    portInches: drum.portInches,
    lugs: drum.lugs,
    hoop: drum[side].hoop,
    threadPitchMm: drum.threadPitchMm,
    pliesMils: drum[side].pliesMils,
    otherPliesMils: drum[otherSide(side)].pliesMils,
    ...(faults || bed ? { faults: { ...bed, ...faults } } : {}),
  }
}

/** The thin side of a practice snare has a bed like any other: its wires end at the badge, between the last lug and the first. */
const BED_MM = 0.8

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
  if ('hz' in aim) return aim.hz
  const kept = sheetTarget(kit, drum.id, side)
  if (kept) return kept.meanHz
  return likelyHz(headIn(hereOf(session.get(), kit, true), drum, side))
}

/** The other head as the tapped one meets it: still, or free and where its own rods have brought it. */
export function practiceOther(session: Session, { kit, drum, side }: BenchView, muted: boolean) {
  const from = otherSide(side)
  const state = practiceState(session, kit, drum, from)
  if (muted) return { lugHz: state.evenHz, muted }
  const still = { lugHz: state.evenHz, muted: true }
  return { lugHz: lugTruth(practiceHead(practiceDrum(drum, from, state), state, still)).meanHz, muted }
}

/** The next tap sounds a little different. Rods may have been turned while this one rang. */
export function countTap(session: Session, { kit, drum }: BenchView, side: Side): void {
  const state = practiceState(session, kit, drum, side)
  session.setPractice([{ ...state, taps: state.taps + 1 }])
}

/** The practice drum struck at a lug: its sound, and what the ear makes of it. */
export async function strikePractice(session: Session, view: BenchView, lug: number) {
  const state = practiceState(session, view.kit, view.drum, view.side)
  const struck = await session.deps.ear().practiceTap({
    drum: practiceDrum(view.drum, view.side, state),
    rods: state,
    other: practiceOther(session, view, view.otherHead !== 'free'),
    lug,
    seed: seedFromText(`${view.drum.id}/${view.side}/${state.taps}`),
    mic: session.get().settings.mic,
    options: expectation(view, session),
  })
  countTap(session, view, view.side)
  return struck
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
    const { tap, samples, rateHz } = await strikePractice(session, view, view.lug)
    if (options.audible) play(samples, rateHz)
    return takeTap(session, view, tap, view.lug, 'practice', {
      samples,
      rateHz,
      strokeSeconds: tap.atSeconds,
    })
  } finally {
    session.set({ bench: { ...session.get().bench, busy: null } })
  }
}

/** What the simulated gauge and the hand tell of the head on the Bench. */
export async function practiceHand(session: Session, view: BenchView) {
  const state = practiceState(session, view.kit, view.drum, view.side)
  return session.deps.ear().practiceHand({
    drum: practiceDrum(view.drum, view.side, state),
    rods: state,
    other: practiceOther(session, view, true),
  })
}

/** A refused tap is made again, as a hand would, this often; then the lug is left out. */
const TRIES = 4
/** With so many lugs unread the move is made from the others all the same. */
const MOST_LEFT_OUT = 2

/** Taps every lug that this pass still wants. A lug that is refused again and again is left out, and said. */
export async function tapRound(session: Session): Promise<void> {
  const start = currentView(session)
  if (!start) return
  const leftOut = new Set<number>()
  let refused = 0
  for (;;) {
    const view = currentView(session)
    if (!view || view.phase !== 'read' || view.drum.id !== start.drum.id || view.side !== start.side) return
    if (refused >= TRIES) {
      leftOut.add(view.lug)
      refused = 0
      const read = view.sitting?.passes.at(-1)?.readings
      const next = Array.from({ length: view.drum.lugs }, (_, i) => i + 1).find(
        (lug) => !leftOut.has(lug) && !read?.has(lug),
      )
      if (next === undefined) return goOnWithout(session, [...leftOut])
      session.set({ bench: { ...session.get().bench, lug: next } })
      continue
    }
    if (await tapPractice(session, { audible: false })) {
      refused = 0
      await adviceInStep(session)
      const after = currentView(session)
      // The order may come back to a lug that is left out.
      if (after?.phase === 'read' && leftOut.has(after.lug)) refused = TRIES
    } else refused++
  }
}

const ADVICE_LOOKED_MS = 20
const ADVICE_LATEST = 150

/** Where no more taps are wanted than are needed, the adviser's answer to one says whether another is. */
async function adviceInStep(session: Session): Promise<void> {
  if (session.get().settings.readOrder !== 'fewest') return
  for (let i = 0; i < ADVICE_LATEST && currentView(session)?.advice === null; i++)
    await new Promise((resolve) => setTimeout(resolve, ADVICE_LOOKED_MS))
}

function goOnWithout(session: Session, lugs: readonly number[]): void {
  if (lugs.length > MOST_LEFT_OUT) return
  session.set({ bench: { ...session.get().bench, movedOn: true, lug: null } })
  session.notify(`Lug ${lugs.join(' and ')} could not be read. The move is made from the others.`)
}

/** The practice drum's rods follow the hand; called for turns made with the practice drum on the Bench. */
export function turnPractice(session: Session, view: BenchView, turns: readonly number[]): void {
  const state = practiceState(session, view.kit, view.drum, view.side)
  const seed = seedFromText(`${practiceKey(state)}/${state.taps}/${JSON.stringify(state.rods)}`)
  moveRods(session, view, state, turnedByHand(state.rods, turns, seed))
}

function moveRods(session: Session, view: BenchView, state: PracticeState, rods: number[]) {
  session.setPractice([afterTurning(practiceDrum(view.drum, view.side, state), state, rods)])
}

/** The practice head is pressed: what stuck comes free, and the film settles a little. */
export function pressPractice(session: Session, view: BenchView): void {
  const state = practiceState(session, view.kit, view.drum, view.side)
  session.setPractice([afterPressing(state)])
}

/** Takes a turn of the practice drum back exactly: it was not made. */
export function unturnPractice(session: Session, view: BenchView, turns: readonly number[]): void {
  const state = practiceState(session, view.kit, view.drum, view.side)
  moveRods(
    session,
    view,
    state,
    state.rods.map((rod, i) => rod - (turns[i] ?? 0)),
  )
}

/** What was done so far decides what chance does next: another head each time, and the same again for the same acts. */
const soFar = (session: Session) =>
  [...session.get().logs.values()].reduce((sum, { tail, baseCount }) => sum + baseCount + tail.length, 0)

/** Puts the practice head out of tune, as if an unpractised hand had fitted it. */
export function roughenPractice(session: Session): void {
  const view = currentView(session)
  if (!view) return
  const { kit, drum, side } = view
  const state = practiceState(session, kit, drum, side)
  const seed = seedFromText(`${practiceKey(state)}/rough/${soFar(session)}`)
  const rough = roughRods(drum.lugs, aroundHz(session, kit, drum, side), seed)
  session.setPractice([{ ...state, ...rough, seats: rough.rods }])
  startOver(session, view)
  session.notify('The practice head is out of tune now. Read it from lug 1.')
}

/** A fresh film on the practice drum: rods as finger-tight leaves them, nothing settled, brought up near the pitch. */
export function refitPractice(session: Session, drum: Drum, side: Side): void {
  const kit = session.kit()
  if (!kit || !session.get().practice.has(practiceKey({ kit: kit.id, drum: drum.id, side }))) return
  const state = practiceState(session, kit, drum, side)
  const seed = seedFromText(`${practiceKey(state)}/fitted/${state.taps}`)
  const rough = roughRods(drum.lugs, aroundHz(session, kit, drum, side), seed)
  session.setPractice([{ ...state, ...rough, seats: rough.rods, presses: 0 }])
}

/** The practice head's rods are brought to a slack start; a fresh film has not been pressed yet. */
export function slackenPractice(
  session: Session,
  drum: Drum,
  side: Side,
  school: SlackSchoolId,
  fresh: boolean,
): void {
  const kit = session.kit()
  if (!kit) return
  const state = practiceState(session, kit, drum, side)
  const seed = seedFromText(`${practiceKey(state)}/slack/${state.taps}/${school}`)
  const evenHz = aroundHz(session, kit, drum, side)
  const slack = slackRods(practiceDrum(drum, side, state), evenHz, school, seed)
  const presses = fresh ? 0 : (state.presses ?? 0)
  session.setPractice([{ ...state, ...slack, seats: slack.rods, presses }])
}

/** Hides a fault in the practice drum on the Bench, for someone else to find; null makes it sound again. */
export function hideFault(session: Session, which: CauseId | 'any' | null): void {
  const view = currentView(session)
  if (!view) return
  const { kit, drum, side } = view
  const state = practiceState(session, kit, drum, side)
  const sound = { ...practiceDrum(drum, side, state), faults: {} }
  const evenHz = aroundHz(session, kit, drum, side)
  const seed = seedFromText(`${practiceKey(state)}/hidden/${soFar(session)}`)
  const snare = drum.kind === 'snare'
  const causes = causesOf(drum.kind)
  const cause =
    which === 'any' ? causes[Math.floor(seededRandom(seed).uniform() * causes.length * 0.9999)] : which
  const hidden = cause ? plant(sound, evenHz, snare, cause, seed) : null
  const even = new Array<number>(drum.lugs).fill(0)
  const rods = hidden?.rods ?? { evenHz, rods: even, presses: 6 }
  const other = practiceState(session, kit, drum, otherSide(side))
  session.setPractice([
    {
      ...state,
      evenHz: rods.evenHz,
      rods: [...rods.rods],
      seats: [...rods.rods],
      presses: Math.max(0, rods.presses ?? 0),
      faults: storedFaults(hidden?.drum.faults ?? {}),
    },
    ...(hidden ? [{ ...other, evenHz: hidden.otherLugHz, rods: even, seats: even }] : []),
  ])
  // What was asked of another fault says nothing of this one.
  endFaultSearch(session, null)
  startOver(session, view)
  session.notify(
    cause ? 'A fault is hidden in the practice drum. Find it.' : 'The practice drum is sound and even again.',
  )
}

function storedFaults({ strippedRods, dirtyRods, ...faults }: Faults): NonNullable<PracticeState['faults']> {
  return {
    ...faults,
    ...(strippedRods ? { strippedRods: [...strippedRods] } : {}),
    ...(dirtyRods ? { dirtyRods: [...dirtyRods] } : {}),
  }
}

/** What a careful person would answer to every question, from the practice drum as it stands. */
export async function practiceAnswers(session: Session, view: BenchView): Promise<AllAnswers> {
  const state = practiceState(session, view.kit, view.drum, view.side)
  return session.deps.ear().practiceAnswers({
    drum: practiceDrum(view.drum, view.side, state),
    rods: state,
    otherLugHz: practiceOther(session, view, false).lugHz,
    snare: view.drum.kind === 'snare',
    before: null,
  })
}

/** Backs off the three rods nearest the player, as hard playing does. */
export function backOffNearRods(session: Session): void {
  const view = currentView(session)
  if (!view) return
  const state = practiceState(session, view.kit, view.drum, view.side)
  const near = nearRods(view.drum.lugs)
  const rods = state.rods.map((rod, i) => (near.includes(i) ? rod + BACKED_OFF_TURNS : rod))
  // It happened while playing, so nothing sticks.
  session.setPractice([{ ...state, rods, seats: rods }])
  startOver(session, view)
  session.notify(`Rods ${near.map((rod) => rod + 1).join(', ')} backed off. Read the head again.`)
}

/** What happened to the rods unseen ends the history: the head is read anew, with what it taught kept. */
function startOver(session: Session, view: BenchView): void {
  session.append([
    { kind: 'sittingStarted', drum: view.drum.id, side: view.side, source: 'practice', algorithm: null },
  ])
  session.set({ bench: NO_BENCH })
}
