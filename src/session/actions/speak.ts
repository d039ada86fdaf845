import { speak } from '@/audio/confirm'
import type { Session } from '../session'
import { deafen } from './listening'

/** The ear is deaf while a voice speaks, at most for so long, and for as long after it as its sound may be under way. */
const LONGEST_SECONDS = 6
const AFTER_SECONDS = 0.3

/** Says a sentence aloud where that is wanted, by a voice of this device; what it says is never heard as a tap. */
export async function sayAloud(session: Session, sentence: string): Promise<void> {
  if (session.get().settings.confirm !== 'word' || sentence === '') return
  const listening = session.get().hearing.state === 'on'
  // A tap that is ringing goes first.
  if (session.get().hearing.ringing) return
  if (listening) await deafen(session, LONGEST_SECONDS)
  await speak(sentence)
  if (listening) await deafen(session, AFTER_SECONDS)
}
