import { likelyHz } from '@/core/status/head'
import { playPitches } from '@/audio/confirm'
import { play } from '@/audio/playback'
import type { BenchView } from '../benchView'
import type { HeardTap } from '../state'
import type { Session } from '../session'
import { deafen } from './listening'

/** A tone of the device's own is heard by its microphone too: the ear is deaf while it sounds. */
const ROOM_SECONDS = 0.4

export function playHeard(session: Session, { sound }: HeardTap): void {
  if (!sound) return
  void deafen(session, sound.samples.length / sound.rateHz + ROOM_SECONDS)
  play(sound.samples, sound.rateHz)
}

/** Pitches together, softly: two near each other are heard to beat. */
export function playTones(session: Session, pitchesHz: readonly number[], seconds: number): void {
  void deafen(session, seconds + ROOM_SECONDS)
  playPitches(pitchesHz, seconds)
}

/** Where a judgement by ear starts: the target, and a reference from the head as last known. */
export function earPitches(view: BenchView): { targetHz: number | null; referenceHz: number } {
  const targetHz = 'hz' in view.aim ? view.aim.hz : (view.kept?.meanHz ?? null)
  return { targetHz, referenceHz: view.head.pitch.hz ?? targetHz ?? likelyHz(view.head) }
}
