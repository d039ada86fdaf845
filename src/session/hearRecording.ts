import type { MicrophoneHandlers } from '@/audio/microphone'
import { usualDrum } from '@/core/keeping/defaults'
import { Listener } from '@/core/measurement/listener'
import type { MeasureOptions } from '@/core/measurement/types'
import type { Drum, Side } from '@/core/records/kit'
import { allHeard, startListening, stopListening } from './actions/listening'
import { addDrum, chooseHead, makeKit } from './actions/kits'
import { currentView } from './actions/readings'
import { kitEdit } from './actions/sheets'
import { memorySession } from './memorySession'

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

export interface RecordingOptions {
  diameterInches: number
  lugs: number
  side: Side
  /** Target of the head, Hz; null for even where it is. */
  expectHz: number | null
  order: 'around' | 'pairs'
  /** Samples a block; what is heard does not depend on it. */
  block: number
}

/**
 * The Bench's own hands-free session on a recording: the same listener, the same rules for which lug comes next and for
 * refusing, on a drum made up for it. Nothing is kept.
 * @returns lug pitches as the strip would show them, null where none was read, and the lugs left out
 */
export async function hearRecording(
  samples: Float32Array,
  rateHz: number,
  options: RecordingOptions,
  say: (event: HeardEvent) => void,
): Promise<{ lugs: Array<number | null>; leftOut: number[] }> {
  const { session, handlers } = await sessionOnRecording(rateHz, options)
  let told = 0
  for (let at = 0; at < samples.length; at += options.block) {
    handlers().onBlock(samples.subarray(at, at + options.block))
    await allHeard()
    const heardAt = Math.min(samples.length, at + options.block) / rateHz
    for (const { id, tap, lug, used, why, other } of session.get().bench.heard) {
      if (id <= told) continue
      told = id
      const when = { at: tap.atSeconds, heardAt }
      if (used && tap.hz !== null)
        say({ ...when, event: 'reading', lug, hz: tap.hz, standardErrorHz: tap.standardErrorHz!, used: true })
      else if (other) say({ ...when, event: 'other-drum' })
      else say({ ...when, event: 'refused', lug, verdict: tap.verdict, why: why ?? '' })
    }
  }
  stopListening(session)
  const view = currentView(session)
  const readings = view?.sitting?.passes.at(-1)?.readings
  return {
    lugs: Array.from({ length: options.lugs }, (_, i) => readings?.get(i + 1)?.hz ?? null),
    leftOut: view?.advice?.plan.leftOut ?? [],
  }
}

async function sessionOnRecording(rateHz: number, options: RecordingOptions) {
  const { session } = memorySession()
  let handlers: MicrophoneHandlers | null = null
  let listener: Listener | null = null
  session.deps.microphone.open = (_input, given) => {
    handlers = given
    return Promise.resolve({ ok: true, microphone: { rateHz, close: () => undefined } })
  }
  const ear = {
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
