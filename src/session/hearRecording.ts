import type { MicrophoneHandlers } from '@/audio/microphone'
import { usualDrum } from '@/core/records/usualDrum'
import { Listener } from '@/core/measurement/listener'
import { measureSound } from '@/core/measurement/measure'
import type { MeasureOptions } from '@/core/measurement/types'
import type { Drum, Side } from '@/core/records/kit'
import { allHeard, startListening, stopListening } from './actions/listening'
import { addDrum, chooseHead, makeKit } from './actions/kits'
import { currentView } from './currentView'
import { moveOneOn, slippedFrom } from './actions/missed'
import { typeReading } from './actions/said'
import { kitEdit } from './actions/edits'
import { advise } from '@/workers/adviser/advise'
import { memorySession } from './memorySession'
import type { Session } from './session'

/** What the Bench made of a stroke, with the stream's time of the stroke and of the moment it was said. */
export type HeardEvent =
  | {
      at: number
      heardAt: number
      event: 'reading'
      lug: number
      hz: number
      standardErrorHz: number
      used: true
    }
  | { at: number; heardAt: number; event: 'refused'; lug: number; verdict: string; why: string }
  | { at: number; heardAt: number; event: 'other-drum' }
  | { at: number; heardAt: number; event: 'missed-perhaps'; lug: number }
  | { at: number; heardAt: number; event: 'ticked'; rods: number[] }
  | { at: number; heardAt: number; event: 'moved'; from: number; to: number; why: string }

export interface RecordingOptions {
  diameterInches: number
  lugs: number
  side: Side
  /** Target of the head, Hz; null for even where it is. */
  expectHz: number | null
  order: 'around' | 'pairs'
  /** Samples a block; what is heard does not depend on it. */
  block: number
  /** Rods of a move that waits to be ticked off; left out, the head is read. */
  rods?: readonly number[]
}

/**
 * The Bench's own hands-free session on a recording: the same listener, the same rules for which lug comes next, for
 * refusing, for ticking off, on a drum made up for it. Nothing is kept.
 * @returns lug pitches as the strip would show them, null where none was read, and the lugs left out
 */
export async function hearRecording(
  samples: Float32Array,
  rateHz: number,
  options: RecordingOptions,
  say: (event: HeardEvent) => void,
): Promise<{ lugs: Array<number | null>; leftOut: number[] }> {
  const { session, handlers } = await sessionOnRecording(rateHz, options)
  if (options.rods) openMove(session, options)
  let told = 0
  let missed: number | null = null
  let turns = turnsIn(session).length
  for (let at = 0; at < samples.length; at += options.block) {
    handlers().onBlock(samples.subarray(at, at + options.block))
    await allHeard(session)
    const heardAt = Math.min(samples.length, at + options.block) / rateHz
    const { bench } = session.get()
    for (const { id, tap, lug, used, why, other } of bench.heard) {
      if (id <= told) continue
      told = id
      const when = { at: tap.atSeconds, heardAt }
      if (used && tap.hz !== null)
        say({ ...when, event: 'reading', lug, hz: tap.hz, standardErrorHz: tap.standardErrorHz!, used: true })
      else if (other) say({ ...when, event: 'other-drum' })
      else say({ ...when, event: 'refused', lug, verdict: tap.verdict, why: why ?? '' })
    }
    if (bench.missed !== missed && bench.missed !== null)
      say({ at: heardAt, heardAt, event: 'missed-perhaps', lug: bench.missed })
    missed = bench.missed
    const now = turnsIn(session)
    for (const made of now.slice(turns)) {
      const rods = made.flatMap((turn, i) => (turn === 0 ? [] : [i + 1]))
      say({ at: heardAt, heardAt, event: 'ticked', rods })
    }
    turns = now.length
  }
  const slipped = slippedFromNow(session)
  if (slipped !== null) {
    const at = samples.length / rateHz
    const why = 'The readings fit the head better one lug on: a tap was missed there.'
    say({ at, heardAt: at, event: 'moved', from: slipped, to: slipped + 1, why })
    moveOneOn(session, slipped)
  }
  stopListening(session)
  const view = currentView(session)
  const readings = view?.sitting?.passes.at(-1)?.readings
  return {
    lugs: Array.from({ length: options.lugs }, (_, i) => readings?.get(i + 1)?.hz ?? null),
    leftOut: view?.advice?.plan.leftOut ?? [],
  }
}

function slippedFromNow(session: Session): number | null {
  const view = currentView(session)
  return view && slippedFrom(view, session.get().bench)
}

function turnsIn(session: Session): number[][] {
  const { logs } = session.get()
  return [...logs.values()]
    .flatMap(({ tail }) => tail)
    .flatMap((event) => (event.kind === 'rodsTurned' ? [event.turns] : []))
}

/** A head read as even, and a move of these rods open on it, whatever an adviser would say. */
function openMove(session: Session, { rods, lugs, expectHz }: RecordingOptions): void {
  for (let lug = 1; lug <= lugs; lug++) typeReading(session, expectHz ?? USUAL_HZ)
  const view = currentView(session)
  if (!view) return
  const answer = advise(view.request, view.openRequest)
  const turns = Array.from({ length: lugs }, (_, i) => (rods!.includes(i + 1) ? MOVE_TURNS : 0))
  const plan = { ...answer.plan, done: false, reason: null, turns }
  session.set({ advice: { request: view.request, answer: { ...answer, plan } } })
}
const USUAL_HZ = 180
const MOVE_TURNS = 0.125

async function sessionOnRecording(rateHz: number, options: RecordingOptions) {
  const { session } = memorySession()
  let handlers: MicrophoneHandlers | null = null
  let listener: Listener | null = null
  session.deps.microphone.open = (_input, given) => {
    handlers = given
    return Promise.resolve({ ok: true, microphone: { rateHz, close: () => undefined } })
  }
  const ear = {
    measure: (sound: Float32Array, rate: number, how: MeasureOptions) =>
      Promise.resolve(measureSound(sound, rate, how)),
    listen: (rate: number, how: MeasureOptions) => Promise.resolve(void (listener = new Listener(rate, how))),
    aimAt: (how: MeasureOptions) => Promise.resolve(void (listener!.options = how)),
    push: (block: Float32Array) => Promise.resolve(listener!.push(block)),
    deafen: (seconds: number, behind: number, above: boolean) =>
      Promise.resolve(listener!.deafen(seconds, behind, above)),
  }
  // The worker's ear is this one seen from afar.
  session.deps.ear = () => ear as never
  await session.start(() => Promise.resolve())
  makeKit(session, 'Recording')
  const kind = options.diameterInches >= 18 ? 'kick' : options.diameterInches >= 15 ? 'floor-tom' : 'tom'
  const usual = usualDrum(kind, options.diameterInches, 'd')
  const drum: Drum = { ...usual, lugs: options.lugs }
  addDrum(session, drum)
  chooseHead(session, 'd', options.side)
  if (options.expectHz !== null)
    session.append([
      kitEdit({ what: 'aimSet', drum: 'd', side: options.side, aim: { kind: 'hz', hz: options.expectHz } }),
    ])
  session.setSettings({ source: 'microphone', readOrder: options.order })
  await startListening(session)
  return { session, handlers: () => handlers! }
}
