import { likelyHz } from '@/core/status/head'
import { thresholdNear } from '@/core/ear/found'
import { TYPED_CENTS } from '@/core/head/scatter'
import type { Ear } from '@/core/head/types'
import type { Settings } from '@/core/records/settings'
import { centsErrorToHz, typedErrorCents } from '@/core/units/pitch'
import type { Session } from '../session'
import { currentView } from '../currentView'

/** What the ear says of the lug in focus against the reference lug, in a word. */
export function sayByEar(session: Session, word: Ear, reference: number): void {
  const view = currentView(session)
  if (!view) return
  const { drum, side, lug, head } = view
  const threshold = thresholdNear(session.get().settings.ear, likelyHz(head))
  session.append([
    {
      ...{ kind: 'earHeard' as const, drum: drum.id, side, lug, word, reference, source: 'ear' as const },
      algorithm: null,
      ...(threshold === null ? {} : { thresholdCents: threshold }),
    },
  ])
  session.set({ bench: { ...session.get().bench, lug: null } })
}

/** One number for a whole head is no better than this: its lugs differ. */
const LEAST_WHOLE_CENTS = 12

/** One standard error of a typed pitch, in cents. */
export const typedCents = (hz: number, text = String(hz), least = TYPED_CENTS) =>
  Math.max(least, typedErrorCents(text, hz))

/** A pitch typed by hand for the lug in focus: a bare number, as good as its digits. */
export function typeReading(session: Session, hz: number, text = String(hz)): void {
  const view = currentView(session)
  if (!view) return
  const { drum, side, lug, otherHead } = view
  const standardErrorHz = centsErrorToHz(hz, typedCents(hz, text))
  const reading = { kind: 'readingTaken' as const, drum: drum.id, side, lug, hz, standardErrorHz, otherHead }
  session.append([{ ...reading, poles: [], source: 'typed', algorithm: null }])
  session.set({ bench: { ...session.get().bench, lug: null } })
}

/** Pitches of several lugs at once, around the head from the lug in focus on: one act. */
export function typeRound(session: Session, pitches: ReadonlyArray<{ hz: number; text: string }>): void {
  const view = currentView(session)
  if (!view) return
  const { drum, lug } = view
  const lugs = pitches.map((_, i) => ((lug - 1 + i) % drum.lugs) + 1)
  session.together(`the readings of ${lugs.length} lugs on ${drum.name} ${view.side}`, () =>
    pitches.forEach(({ hz, text }, i) => {
      session.set({ bench: { ...session.get().bench, lug: lugs[i] } })
      typeReading(session, hz, text)
    }),
  )
  session.notify(`${lugs.length} lugs filled, from ${lugs[0]} to ${lugs.at(-1)}.`, { undo: true })
}

/** One number for the whole head: its pitch, and nothing of its evenness. */
export function typeWholeHead(session: Session, hz: number, text = String(hz)): void {
  const view = currentView(session)
  if (!view) return
  const { drum, side } = view
  const standardErrorHz = centsErrorToHz(hz, typedCents(hz, text, LEAST_WHOLE_CENTS))
  session.append([
    { kind: 'headRead', drum: drum.id, side, hz, standardErrorHz, source: 'typed', algorithm: null },
  ])
  session.set({ bench: { ...session.get().bench, lug: null } })
}

/** The head is read anew from the first lug on; nothing was turned. */
export function readHeadAgain(session: Session): void {
  const view = currentView(session)
  if (!view) return
  session.append([
    { kind: 'roundStarted', drum: view.drum.id, side: view.side, source: 'hand', algorithm: null },
  ])
  session.set({ bench: { ...session.get().bench, lug: null, movedOn: false, lastTap: null } })
}

/** Readings are to be taken as they are: of these lugs, or of all and lug by lug where none is named. */
export function believeReadings(session: Session, lugs: readonly number[]): void {
  const view = currentView(session)
  if (!view) return
  const { drum, side } = view
  session.append([
    { kind: 'readingsBelieved', drum: drum.id, side, lugs: [...lugs], source: 'hand', algorithm: null },
  ])
}

/** Where readings come from, from now on; the practice drum for a kit of one's own only for this sitting. */
export function chooseSource(session: Session, source: Settings['source']): void {
  session.set({
    bench: { ...session.get().bench, lug: null, lastTap: null, movedOn: false, stayNearHz: null },
    practiceKit: source === 'practice' ? (session.kit()?.id ?? null) : null,
  })
  session.setSettings({ source })
}
