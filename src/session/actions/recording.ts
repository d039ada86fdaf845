import type { Tap } from '@/core/measurement/types'
import { readSoundFile } from '@/audio/files'
import type { Session } from '../session'
import type { HeardTap } from '../state'
import { takeCentre } from './centre'
import { agreeOnTone } from './headTone'
import { expectation, takeTap } from './readings'
import { currentView } from '../currentView'

/** The stretch of a recording that one tap was measured from. */
function soundOf(
  sound: { samples: Float32Array; rateHz: number },
  tap: Tap,
  taps: readonly Tap[],
): HeardTap['sound'] {
  if (tap.verdict === 'no-tap') return null
  const { rateHz } = sound
  const next = taps.find(({ atSeconds }) => atSeconds > tap.atSeconds)?.atSeconds ?? Infinity
  const from = Math.max(0, tap.atSeconds - BEFORE_SECONDS)
  const to = Math.min(tap.atSeconds + AFTER_SECONDS, next - 0.02, sound.samples.length / rateHz)
  const samples = sound.samples.slice(Math.round(from * rateHz), Math.round(to * rateHz))
  return { samples, rateHz, strokeSeconds: tap.atSeconds - from }
}

const BEFORE_SECONDS = 0.35
const AFTER_SECONDS = 1.6

/** Measures a recording and lays its taps on the lugs from the one in focus on, in order around the head or by pairs. */
export async function readFile(session: Session, file: File): Promise<void> {
  const view = currentView(session)
  if (!view) return
  session.set({ bench: { ...session.get().bench, busy: 'file' } })
  try {
    const sound = await readSoundFile(file)
    if (!sound.ok) return session.notify(sound.why, { tone: 'caution' })
    const taps = await session.deps.ear().measure(sound.samples, sound.rateHz, expectation(view, session))
    const centre = session.get().bench.strike === 'centre'
    let used = 0
    for (const tap of taps) {
      const now = currentView(session)
      if (now && centre) used += Number(takeCentre(session, now, tap, 'file', soundOf(sound, tap, taps)))
      else if (now && takeTap(session, now, tap, now.lug, 'file', soundOf(sound, tap, taps))) used++
    }
    if (!centre) await agreeOnTone(session)
    const refused = taps.find((tap) => tap.verdict !== 'ok')
    if (refused?.why) {
      session.notify(`${used} of ${taps.length} taps used. ${refused.why}`, { tone: 'caution' })
    }
  } finally {
    session.set({ bench: { ...session.get().bench, busy: null } })
  }
}
