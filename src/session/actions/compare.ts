import { likelyHz } from '@/core/status/head'
import { play } from '@/audio/playback'
import { pairModel, pairStands } from '@/core/bench/pairing'
import { drumStatus } from '@/core/status/drum'
import type { Drum } from '@/core/records/kit'
import { groove, type GrooveDrum, type Part } from '@/core/sound/groove'
import type { Stroke } from '@/core/status/strokes'
import type { PairPlace } from '@/core/pair/types'
import { levelsMatched, renderRinging, type RingingTone, type Samples } from '@/core/sound/ringing'
import { decodeWav } from '@/core/sound/wav'
import type { Session } from '../session'
import { deafen } from './listening'
import { currentView } from '../currentView'

/** A state of a drum that can be looked at and heard: one that was struck, or one that is only planned. */
export interface SoundState {
  tones: RingingTone[]
  glideCents: number
  /** Reading whose sound may have been kept. */
  take: string | null
}

const RATE_HZ = 24_000
const SECONDS = 2
const ROOM_SECONDS = 0.4

export function ofStroke(stroke: Stroke): SoundState {
  return {
    tones: stroke.modes.map(({ hz, decaySeconds, levelDb }) => ({ hz, decaySeconds, levelDb })),
    glideCents: stroke.glideCents ?? 0,
    take: stroke.id,
  }
}

/** The drum with its heads there, as the model and its own strokes foretell it. */
export function ofPlan(session: Session, at: PairPlace): SoundState | null {
  const view = currentView(session)
  if (!view) return null
  const { pair } = drumStatus(view.here, view.drum)
  return { ...pairModel(pair).sound(at), take: null }
}

/** Its kept sound where there is one, else made again from what was measured. */
async function samplesOf(session: Session, { take, tones, glideCents }: SoundState): Promise<Samples> {
  const kept = take ? await session.takes()?.get(take) : undefined
  const wav = kept ? decodeWav(kept.wav) : null
  if (wav?.ok) return { samples: fromStroke(wav.sound.channels[0]), rateHz: wav.sound.rateHz }
  const samples = renderRinging(tones, { rateHz: RATE_HZ, seconds: SECONDS, glideCents })
  return { samples, rateHz: RATE_HZ }
}

/** Silence before the stroke is cut, so that both sounds begin alike. */
function fromStroke(samples: Float32Array): Float32Array {
  const peak = samples.reduce((top, x) => Math.max(top, Math.abs(x)), 0)
  const start = samples.findIndex((x) => Math.abs(x) > 0.1 * peak)
  return samples.subarray(Math.max(0, start - 50))
}

/** Plays one of some states, at the level that all of them have in common. */
export async function playOf(session: Session, states: readonly SoundState[], which: number): Promise<void> {
  const matched = levelsMatched(await Promise.all(states.map((state) => samplesOf(session, state))))
  await deafen(session, SECONDS + ROOM_SECONDS)
  play(matched[which].samples, matched[which].rateHz)
}

/** Plays one planned state. */
export async function hearPair(session: Session, batterHz: number, resonantHz: number | null): Promise<void> {
  const state = ofPlan(session, { batterHz, resonantHz })
  if (state) await playOf(session, [state], 0)
}

const PARTS: Record<Drum['kind'], Part> = { kick: 'kick', snare: 'snare', tom: 'tom', 'floor-tom': 'tom' }

/** Plays one of some states inside a groove: the rest of the kit as it stands, a kick alone misleads. */
export async function playInGroove(
  session: Session,
  states: readonly SoundState[],
  which: number,
): Promise<void> {
  const view = currentView(session)
  if (!view) return
  const matched = levelsMatched(await Promise.all(states.map((state) => samplesOf(session, state))))
  const own = matched[which]
  const others = view.kit.drums
    .filter(({ id }) => id !== view.drum.id)
    .map((drum): GrooveDrum => {
      const { pair, heads } = drumStatus(view.here, drum)
      const at = pairStands(pair) ?? {
        batterHz: likelyHz(heads.batter),
        resonantHz: likelyHz(heads.resonant),
      }
      const { tones, glideCents } = pairModel(pair).sound(at)
      const samples = renderRinging(tones, { rateHz: own.rateHz, seconds: SECONDS, glideCents })
      return { part: PARTS[drum.kind], sound: { samples, rateHz: own.rateHz }, own: false }
    })
  const made = groove([{ part: PARTS[view.drum.kind], sound: own, own: true }, ...others], own.rateHz)
  await deafen(session, made.samples.length / made.rateHz + ROOM_SECONDS)
  play(made.samples, made.rateHz)
}
