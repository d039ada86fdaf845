import { fitsOneOn } from '@/core/head/oneOn'
import type { BenchView } from '../benchView'
import type { Session } from '../session'
import { currentView, moveHeard, readAgain } from './readings'

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
  session.set({ bench: { ...session.get().bench, missed: null } })
}

/** The first lug of the round from which the readings fit the head better one lug on; null for none. */
export function slippedFrom({ sitting, drum }: BenchView, missed: number | null): number | null {
  const readings = sitting?.passes.at(-1)?.readings
  if (missed === null || !readings) return null
  const pitches = new Map([...readings].map(([lug, { hz }]) => [lug, hz]))
  return fitsOneOn(pitches, drum.lugs, missed) ? missed : null
}

/** The readings from a lug on were of the lugs behind: all are moved one on, and the lug left bare is asked for. */
export function moveOneOn(session: Session, from: number): void {
  const heard = [...session.get().bench.heard].filter(({ event, lug }) => event !== null && lug >= from)
  // From the last one down, so that no two taps lie on one lug meanwhile.
  for (const { id, lug } of heard.sort((a, b) => b.lug - a.lug)) moveHeard(session, id, lug + 1)
  forget(session)
  if (currentView(session)) readAgain(session, from)
}
