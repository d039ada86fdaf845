import { fitsOneOn } from '@/core/head/oneOn'
import type { BenchView } from '../benchView'
import type { Session } from '../session'
import type { BenchUi } from '../state'
import { moveHeard, readAgain } from './readings'
import { currentView } from '../currentView'

/** The lug on which a tap may have been missed is tapped again. */
export function tapMissed(session: Session): void {
  const { missed } = session.get().bench
  if (missed === null) return
  readAgain(session, missed)
  forget(session)
}

/** Nothing was missed. */
export function notMissed(session: Session): void {
  forget(session)
}

function forget(session: Session): void {
  session.set({ bench: { ...session.get().bench, missed: null, refusedAt: null } })
}

/** The lug from which the readings of the round fit the head better one lug on; null for none. */
export function slippedFrom({ sitting, drum }: BenchView, { missed, refusedAt }: BenchUi): number | null {
  const readings = sitting?.passes.at(-1)?.readings
  if (!readings) return null
  const pitches = new Map([...readings].map(([lug, { hz }]) => [lug, hz]))
  return [missed, refusedAt].find((lug) => lug !== null && fitsOneOn(pitches, drum.lugs, lug)) ?? null
}

/** The readings from a lug on were of the lugs behind: all are moved one on, and the lug left bare is asked for. */
export function moveOneOn(session: Session, from: number): void {
  const heard = [...session.get().bench.heard].filter(({ event, lug }) => event !== null && lug >= from)
  // From the last one down, so that no two taps lie on one lug meanwhile.
  for (const { id, lug } of heard.sort((a, b) => b.lug - a.lug)) moveHeard(session, id, lug + 1)
  forget(session)
  if (currentView(session)) readAgain(session, from)
}
