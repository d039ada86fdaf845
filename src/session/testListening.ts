import type { MicrophoneHandlers } from '@/audio/microphone'
import { usualDrum } from '@/core/records/usualDrum'
import { Listener } from '@/core/measurement/listener'
import { measureSound } from '@/core/measurement/measure'
import { practiceHead } from '@/core/practice/drum'
import { playTap } from '@/core/practice/tap'
import { allHeard, startListening } from './actions/listening'
import { makeKit } from './actions/kits'
import { currentView } from './currentView'
import { kitEdit } from './actions/edits'
import { testSession, type TestBench } from './testSession'

export const RATE_HZ = 22_050

const HEAD = practiceHead(
  {
    ...{ seedText: 'x', diameterInches: 12, depthInches: 8, lugs: 6, hoop: 'wood', threadPitchMm: 1.058 },
    pliesMils: [10],
    otherPliesMils: [10],
  },
  { evenHz: 190, rods: [0.05, 0, -0.04, 0, 0.02, 0] },
  { lugHz: 260, muted: true },
)
const played = new Map<number, Float32Array>()

/** A tap of the tom at a lug, made once for all tests of a file. */
function tapAt(lug: number): Float32Array {
  const how = { lug, rateHz: RATE_HZ, seed: lug, noiseDb: -55, finger: true, seconds: 2, leadSeconds: 0.3 }
  const samples = played.get(lug) ?? playTap(HEAD, how).samples
  played.set(lug, samples)
  return samples
}

/** A session whose microphone and ear are here, and whose drum is a six-lug tom. */
export async function listening(): Promise<
  TestBench & {
    handlers: () => MicrophoneHandlers
    /** How often the device was closed. */
    closed: () => number
    hear(lug: number, again?: number): Promise<void>
    push(samples: Float32Array): Promise<void>
  }
> {
  const bench = testSession()
  let handlers: MicrophoneHandlers | null = null
  let listener: Listener | null = null
  let closed = 0
  bench.session.deps.microphone.open = (_input, given) => {
    handlers = given
    return Promise.resolve({ ok: true, microphone: { rateHz: RATE_HZ, close: () => void closed++ } })
  }
  const ear = {
    measure: (samples: Float32Array, rateHz: number, options: object) =>
      Promise.resolve(measureSound(samples, rateHz, options)),
    listen: (rateHz: number, options: object) =>
      Promise.resolve(void (listener = new Listener(rateHz, options))),
    aimAt: () => Promise.resolve(),
    push: (block: Float32Array) => Promise.resolve(listener!.push(block)),
    deafen: (seconds: number, behind: number, above: boolean) =>
      Promise.resolve(listener!.deafen(seconds, behind, above)),
  }
  bench.session.deps.ear = () => ear as never
  await bench.session.start(() => Promise.resolve())
  makeKit(bench.session, 'Test')
  bench.session.append([kitEdit({ what: 'drumAdded', drum: usualDrum('tom', 12, 'd'), after: null })])
  bench.session.setSettings({ source: 'microphone' })
  await startListening(bench.session)
  const hear = async (lug: number, again?: number) => {
    const samples = tapAt(lug).slice()
    // The same stroke once more while the first one rings.
    if (again)
      for (let i = samples.length - 1; i >= again * RATE_HZ; i--)
        samples[i] += samples[i - Math.round(again * RATE_HZ)]
    await push(samples)
  }
  const push = async (samples: Float32Array) => {
    for (let at = 0; at < samples.length; at += 2048) handlers!.onBlock(samples.slice(at, at + 2048))
    // Blocks are measured one after the other, behind the caller's back.
    await allHeard(bench.session)
    for (let i = 0; i < 12; i++) await new Promise((resolve) => setTimeout(resolve, 0))
  }
  return { ...bench, handlers: () => handlers!, closed: () => closed, hear, push }
}

export const readingsOf = (bench: TestBench) =>
  currentView(bench.session)!.sitting?.passes.at(-1)?.readings ?? new Map()

/** A stroke of another drum, as loud. */
export function otherDrum(lugHz: number, seed: number): Float32Array {
  const head = practiceHead(
    {
      ...{ seedText: 'other', diameterInches: 16, depthInches: 14, lugs: 8, hoop: 'triple-flanged' as const },
      ...{ threadPitchMm: 1.058, pliesMils: [10], otherPliesMils: [10] },
    },
    { evenHz: lugHz, rods: new Array<number>(8).fill(0) },
    { lugHz: 1.3 * lugHz, muted: true },
  )
  const how = { lug: 1, rateHz: RATE_HZ, seed, noiseDb: -55, finger: true, seconds: 2, leadSeconds: 0.3 }
  return playTap(head, how).samples
}
/** The same stroke once more while the first one rings. */
export function twice(samples: Float32Array): Float32Array {
  const out = samples.slice()
  for (let i = out.length - 1; i >= 0.35 * RATE_HZ; i--) out[i] += out[i - Math.round(0.35 * RATE_HZ)]
  return out
}
export const noise = (seconds: number, level: number) =>
  Float32Array.from({ length: seconds * RATE_HZ }, (_, i) => level * Math.sin(i * i * 0.7))
