import { KnockCounter } from '@/core/ear/knocks'
import type { MicrophoneTrouble } from '../state'
import type { Session } from '../session'

export interface Knocking {
  close(): void
  /** Not heard from now on for so long: what the device itself plays is no knock. */
  deafen(seconds: number): void
}

/** Opens the microphone to count knocks; called from a click or key only. Nothing of what it hears is kept. */
export async function listenForKnocks(
  session: Session,
  onKnocks: (count: number) => void,
  onLost: (why: MicrophoneTrouble) => void,
): Promise<Knocking | MicrophoneTrouble> {
  let counter: KnockCounter | null = null
  let deafUntil = 0
  const result = await session.deps.microphone.open(session.get().settings.input, {
    onBlock(block) {
      if (!counter) return
      if (session.deps.nowMs() < deafUntil) {
        block = new Float32Array(block.length)
      }
      const count = counter.push(block)
      if (count !== null) onKnocks(count)
    },
    onLost: () => onLost('lost'),
    onPause: () => undefined,
  })
  if (!result.ok) return result.why
  counter = new KnockCounter(result.microphone.rateHz)
  return {
    close: () => result.microphone.close(),
    deafen: (seconds) => (deafUntil = Math.max(deafUntil, session.deps.nowMs() + 1000 * seconds)),
  }
}
