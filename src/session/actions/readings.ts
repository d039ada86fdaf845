import { MEASUREMENT_VERSION } from '@/core/measurement/measure'
import type { MeasureOptions, Tap } from '@/core/measurement/types'
import { usualLugHz } from '@/core/practice/drum'
import { lastKnown } from '@/core/keeping/bench'
import type { OtherHead, Source } from '@/core/records/event'
import { centsErrorToHz } from '@/core/units/pitch'
import { readSoundFile } from '@/audio/files'
import { benchView, type BenchView } from '../benchView'
import type { Session } from '../session'

/** How sure an expectation is, in cents: from the head's other lugs, or from a target or an earlier sitting. */
const FROM_LUGS_CENTS = 70
const FROM_TARGET_CENTS = 250

export function currentView(session: Session): BenchView | null {
  return benchView(session.get(), session.kit())
}

/** What is known of the pitch before a tap is measured. */
export function expectation(view: BenchView): MeasureOptions {
  const { drum, side, sitting, head, kept, aim } = view
  const size = { diameterInches: drum.diameterInches, side }
  const read = [...(sitting?.passes.at(-1)?.readings.values() ?? [])]
    .map(({ hz }) => hz)
    .sort((a, b) => a - b)
  if (read.length >= 2) {
    return { ...size, expectHz: read[Math.floor(read.length / 2)], expectCents: FROM_LUGS_CENTS }
  }
  const near = lastKnown(head)?.meanHz ?? (aim.kind === 'hz' ? aim.hz : kept?.meanHz)
  return near
    ? { ...size, expectHz: near, expectCents: FROM_TARGET_CENTS }
    : {
        ...size,
        expectHz: usualLugHz(drum.diameterInches, drum.threadPitchMm),
        expectCents: 2 * FROM_TARGET_CENTS,
      }
}

/** Puts a measured tap on a lug; a refused one is shown and changes nothing. */
export function takeTap(session: Session, view: BenchView, tap: Tap, lug: number, source: Source): boolean {
  const used = tap.verdict === 'ok' && tap.hz !== null
  session.set({
    bench: {
      ...session.get().bench,
      lastTap: { tap, lug, used },
      lug: used ? null : session.get().bench.lug,
    },
  })
  if (!used) return false
  session.append([
    {
      kind: 'readingTaken',
      drum: view.drum.id,
      side: view.side,
      lug,
      hz: tap.hz!,
      standardErrorHz: tap.standardErrorHz!,
      poles: tap.poles,
      otherHead: view.otherHead,
      source,
      algorithm: MEASUREMENT_VERSION,
    },
  ])
  return true
}

/** A pitch typed by hand for the lug in focus. */
export function typeReading(session: Session, hz: number): void {
  const view = currentView(session)
  if (!view) return
  session.append([
    {
      kind: 'readingTaken',
      drum: view.drum.id,
      side: view.side,
      lug: view.lug,
      hz,
      standardErrorHz: centsErrorToHz(hz, session.get().settings.typedErrorCents),
      poles: [],
      otherHead: view.otherHead,
      source: 'typed',
      algorithm: null,
    },
  ])
  session.set({ bench: { ...session.get().bench, lug: null } })
}

/** Withdraws every tap of one lug in the pass at hand, and asks for it again. */
export function readAgain(session: Session, lug: number): void {
  session.set({ bench: { ...session.get().bench, lug, lastTap: null } })
}

/** The newest tap of a lug does not count. */
export function withdrawTap(session: Session, lug: number): void {
  const pass = currentView(session)?.sitting?.passes.at(-1)
  const event = pass?.readings.get(lug)?.events.at(-1)
  if (event) session.append([{ kind: 'withdrawn', event, source: 'hand', algorithm: null }])
}

export function setOtherHead(session: Session, state: OtherHead): void {
  const view = currentView(session)
  if (!view) return
  session.append([
    { kind: 'otherHeadSet', drum: view.drum.id, side: view.side, state, source: 'hand', algorithm: null },
  ])
}

/** Measures a recording and lays its taps on the lugs from the one in focus on, in order around the head. */
export async function readFile(session: Session, file: File): Promise<void> {
  const view = currentView(session)
  if (!view) return
  session.set({ bench: { ...session.get().bench, busy: 'file' } })
  try {
    const sound = await readSoundFile(file)
    if (!sound.ok) return session.notify(sound.why, { tone: 'caution' })
    const taps = await session.deps.ear().measure(sound.samples, sound.rateHz, expectation(view))
    let used = 0
    for (const tap of taps) {
      const now = currentView(session)
      if (now && takeTap(session, now, tap, now.lug, 'file')) used++
    }
    const refused = taps.find((tap) => tap.verdict !== 'ok')
    if (refused?.why) {
      session.notify(`${used} of ${taps.length} taps used. ${refused.why}`, { tone: 'caution' })
    }
  } finally {
    session.set({ bench: { ...session.get().bench, busy: null } })
  }
}
