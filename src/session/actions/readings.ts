import { JUMP_CENTS } from '@/core/measurement/headTone'
import { MEASUREMENT_VERSION } from '@/core/measurement/version'
import type { MeasureOptions, Tap } from '@/core/measurement/types'
import { usualHz } from '@/core/records/usualDrum'
import type { OtherHead, Source } from '@/core/records/event'
import type { Drum, Side } from '@/core/records/kit'
import { centsBetween } from '@/core/units/pitch'
import type { BenchView } from '../benchView'
import { currentView } from '../currentView'
import { centreExpectation } from './centre'
import { toldByUpper } from './lowDrums'
import type { Session } from '../session'
import type { HeardTap } from '../state'
import { fixed } from '@/text/shown'

/** How sure an expectation is, in cents: from the head's other lugs, or from a target or an earlier sitting. */
const FROM_LUGS_CENTS = 70
export const FROM_TARGET_CENTS = 250
/** However little is known: an octave off is another tone. */
const FURTHEST_CENTS = 600

/** What is known of the pitch before a tap is measured. */
export function expectation(view: BenchView, session: Session): MeasureOptions {
  const { drum, side, sitting, head, aim, kept } = view
  const { settings, bench } = session.get()
  if (bench.strike === 'centre') return centreExpectation(view)
  const size = { diameterInches: drum.diameterInches, side, mic: settings.mic }
  if (bench.stayNearHz) return { ...size, expectHz: bench.stayNearHz, expectCents: STAY_NEAR_CENTS }
  const read = roundReadings(sitting)
    .map(({ hz }) => hz)
    .sort((a, b) => a - b)
  if (read.length >= 2) {
    return { ...size, expectHz: read[Math.floor(read.length / 2)], expectCents: FROM_LUGS_CENTS }
  }
  // On the way up from slack and after a pass the head is where the turns have brought it.
  const forecast = view.climb
    ? { hz: view.climb.nowHz, cents: view.climb.nowErrorCents }
    : view.turnedNow && view.advice?.forecast
      ? { hz: view.advice.forecast.meanHz, cents: view.advice.forecast.meanErrorCents }
      : null
  if (forecast) {
    const expectCents = Math.min(FURTHEST_CENTS, Math.max(FROM_LUGS_CENTS, 2 * forecast.cents))
    return { ...size, expectHz: forecast.hz, expectCents }
  }
  const near = head.pitch.hz ?? ('hz' in aim ? aim.hz : kept?.meanHz)
  return near
    ? { ...size, expectHz: near, expectCents: FROM_TARGET_CENTS }
    : { ...size, ...bySize(drum, side) }
}

/** What a drum's size alone says. */
export const bySize = (drum: Drum, side: Side): MeasureOptions => ({
  expectHz: usualHz(drum, side),
  expectCents: 2 * FROM_TARGET_CENTS,
})

/** Readings of the round at hand: those before turns that are made by now tell of another pitch. */
function roundReadings(sitting: BenchView['sitting']) {
  const pass = sitting?.passes.at(-1)
  return pass && !pass.turns ? [...pass.readings.values()] : []
}

/**
 * Puts a measured tap on a lug; a refused one is shown and changes nothing. One that lies far from the head's other lugs
 * is another mode or a lug far out: it is shown, and used only when the user says so.
 */
export function takeTap(
  session: Session,
  view: BenchView,
  heardTap: Tap,
  lug: number,
  source: Source,
  sound: HeardTap['sound'] = null,
): boolean {
  const upper = toldByUpper(view, expectation(view, session), heardTap)
  const tap = upper?.tap ?? heardTap
  const far = jumped(session, view, tap, lug)
  const why = tap.why ?? far
  const heard: HeardTap = {
    ...{ id: session.number(), tap, lug, used: false, event: null, why, sound },
    ...(far === null ? {} : { jumped: true as const }),
  }
  if (upper) session.notify(upper.said)
  if (why === null && tap.hz !== null) return count(session, view, heard, source)
  remember(session, heard)
  return false
}

/** A tap between the turns: shown, and not counted until the pass ends. */
export function checkTap(session: Session, tap: Tap, lug: number, sound: HeardTap['sound']): void {
  const why = tap.why ?? 'A check between the turns: not counted.'
  remember(session, { id: session.number(), tap, lug, used: false, event: null, why, sound })
}

/** What was none of this head's taps: shown, not read and not counted. */
export function noteOther(session: Session, tap: Tap, lug: number, sound: HeardTap['sound']): void {
  const why = 'Another drum, or none: its tones are not this head’s. Not counted.'
  remember(session, { id: session.number(), tap, lug, used: false, event: null, why, other: true, sound })
}

const LUGS_FOR_A_JUMP = 2

function jumped(session: Session, view: BenchView, tap: Tap, lug: number): string | null {
  const others = roundReadings(view.sitting).filter((each) => each.lug !== lug)
  if (tap.hz === null || session.get().bench.stayNearHz || others.length < LUGS_FOR_A_JUMP) return null
  const pitches = others.map(({ hz }) => hz).sort((a, b) => a - b)
  const middle = pitches[Math.floor(pitches.length / 2)]
  const cents = centsBetween(middle, tap.hz)
  if (Math.abs(cents) < JUMP_CENTS) return null
  return `This tap reads ${fixed(tap.hz, 1)} Hz while the other lugs read near ${fixed(middle, 1)}: another tone of the head, or a lug far out. Tap again, or use it under What was heard.`
}

function remember(session: Session, heard: HeardTap): void {
  const { bench } = session.get()
  const list = [...bench.heard.filter(({ id }) => id !== heard.id), heard].sort((a, b) => a.id - b.id)
  session.set({
    bench: {
      ...bench,
      lastTap: heard.id >= (bench.lastTap?.id ?? 0) ? heard : bench.lastTap,
      heard: list.slice(-HEARD_KEPT),
      ...(heard.used ? { lug: null, ofHead: [...bench.ofHead, heard.tap].slice(-OF_HEAD_KEPT) } : {}),
    },
  })
}

/** So many taps can be looked at again: some megabytes of sound. */
const HEARD_KEPT = 24
/** So many tell which tones a head has. */
const OF_HEAD_KEPT = 8

function count(session: Session, view: BenchView, heard: HeardTap, source: Source): boolean {
  const { tap, lug } = heard
  const [event] = session.append([
    {
      kind: 'readingTaken',
      drum: view.drum.id,
      side: view.side,
      lug,
      hz: tap.hz!,
      standardErrorHz: tap.standardErrorHz!,
      poles: tap.poles,
      otherHead: view.otherHead,
      mic: session.get().settings.mic,
      source,
      algorithm: MEASUREMENT_VERSION,
    },
  ])
  remember(session, { ...heard, used: true, event: event.id, why: null, jumped: undefined })
  const { sound } = heard
  if (sound && session.get().settings.keepTakes) {
    void import('@/core/sound/wav').then(({ encodeWav }) =>
      session.keepTakes([{ reading: event.id, kit: event.kit, wav: encodeWav(sound.samples, sound.rateHz) }]),
    )
  }
  return true
}

function heardById(session: Session, id: number): HeardTap | null {
  return session.get().bench.heard.find((heard) => heard.id === id) ?? null
}

function sourceOf(session: Session): Source {
  const { source } = session.get()
  return source === 'ask' ? 'hand' : source
}

/** A tap that was not used counts after all, as it was measured. */
export function countAnyway(session: Session, id: number): void {
  const heard = heardById(session, id)
  const view = currentView(session)
  if (heard && view && heard.tap.hz !== null && !heard.used) count(session, view, heard, sourceOf(session))
}

/** Not this one: the tap no longer counts. */
export function dropHeard(session: Session, id: number): void {
  const heard = heardById(session, id)
  if (!heard?.event) return
  session.append([{ kind: 'withdrawn', event: heard.event, source: 'hand', algorithm: null }])
  remember(session, { ...heard, used: false, event: null, why: 'Dropped by hand.' })
}

/** A tap was laid on the wrong lug. */
export function moveHeard(session: Session, id: number, lug: number): void {
  const heard = heardById(session, id)
  const view = currentView(session)
  if (!heard?.event || !view || heard.lug === lug) return
  session.append([{ kind: 'withdrawn', event: heard.event, source: 'hand', algorithm: null }])
  count(session, view, { ...heard, lug }, sourceOf(session))
}

/** How closely a chosen tone is looked for: a third of a semitone each way around it. */
const CHOICE_BAND = 2 ** (35 / 1200)
const STAY_NEAR_CENTS = 70

/** Another tone of the tap was the lug's: it is measured as the reading, and later taps stay near it. */
export async function chooseTone(session: Session, id: number, hz: number): Promise<void> {
  const heard = heardById(session, id)
  if (!heard?.sound) return
  const taken = await readAs(session, heard, hz)
  if (taken === null) return session.notify('That tone is too weak to be a reading.', { tone: 'caution' })
  stayNear(session, taken)
}

/** Measures a tap near a pitch and lets it count so; null where there is nothing to read. */
export async function readAs(session: Session, heard: HeardTap, hz: number): Promise<number | null> {
  const view = currentView(session)
  if (!heard.sound || !view) return null
  const { samples, rateHz, strokeSeconds } = heard.sound
  const taps = await session.deps.ear().measure(samples, rateHz, {
    diameterInches: view.drum.diameterInches,
    mic: session.get().settings.mic,
    bandHz: [hz / CHOICE_BAND, hz * CHOICE_BAND],
  })
  const tap = taps.reduce((a, b) =>
    Math.abs(b.atSeconds - strokeSeconds) < Math.abs(a.atSeconds - strokeSeconds) ? b : a,
  )
  const now = currentView(session)
  if (tap.hz === null || !now) return null
  if (heard.event) {
    session.append([{ kind: 'withdrawn', event: heard.event, source: 'hand', algorithm: null }])
  }
  count(
    session,
    now,
    { ...heard, tap: { ...tap, atSeconds: heard.tap.atSeconds, modes: heard.tap.modes } },
    sourceOf(session),
  )
  return tap.hz
}

/** Reads the taps that follow near a pitch; null lets the ear judge alone again. */
export function stayNear(session: Session, hz: number | null): void {
  session.set({ bench: { ...session.get().bench, stayNearHz: hz } })
  const view = currentView(session)
  if (view && session.get().hearing.state === 'on') void session.deps.ear().aimAt(expectation(view, session))
}

export function lookAtTap(session: Session, id: number | null): void {
  session.set({ bench: { ...session.get().bench, looking: id } })
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
