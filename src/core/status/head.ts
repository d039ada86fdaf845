import { headAgeing } from '../drift/headAgeing'
import { standingAt } from '../drift/ageing'
import { judged, type Judged } from '../evening/verdict'
import type { EvenRequest } from '../evening/types'
import { oppositeRod } from '../head/harmonics'
import { USUAL_RELATION_CENTS } from '../kit/usual'
import { usualHz } from '../records/usualDrum'
import type { SittingLog } from '../log/headLog'
import type { Pass } from '../log/sittings'
import type { Drum, HandTarget, Side, Target } from '../records/kit'
import { centsBetween, shiftByCents } from '../units/pitch'
import { handAgrees, handNow } from './hand'
import { headAtHand, requestOf, tellingSittings, type HeadAtHand, type Here } from './inputs'
import { isOffPitch, toleranceOf } from './targets'

/**
 * How something is known of a head: its lugs were read, one number said for all of it, by a dial, by ear; foretold after a turn that was
 * not read since; inferred from the other head and the centre; the last sitting carried to today; or not at all.
 */
export type HowKnown = 'lugs' | 'one-number' | 'dial' | 'ear' | 'expected' | 'inferred' | 'aged' | 'unknown'

/** A head as its own log leaves it. */
export interface Fitted {
  hz: number
  errorCents: number
  at: string
  cosineCents: number
  sineCents: number
  waveErrorCents: number
  /** How its evenness was known then; left out where by its lugs. */
  evenness?: NonNullable<Target['evenness']>
}

export type Verdict =
  'even' | 'uneven' | 'on-pitch-evenness-unknown' | 'even-pitch-unknown' | 'off' | 'unknown'

interface Known {
  known: HowKnown
  /** Lugs (from 1) that were read for it since anything was turned; none where it is known otherwise. */
  lugs: number[]
}

/** What is known of one head, and how. Verdicts say no more than that. */
export interface HeadStatus extends HeadAtHand {
  pitch: Known & { hz: number | null; errorCents: number | null }
  evenness: Known & { spreadCents: number | null; errorCents: number | null }
  /** Lug pitches as believed, lug 1 first; null where the pitch is not known. */
  lugHz: number[] | null
  /** When the newest reading or turn behind it was made. */
  at: string | null
  /** The same before it was carried to today, with the pattern of its lugs; null where its pitch was never read. */
  asRead: Fitted | null
  /** Where the other head stands by itself, for readings in which it rang along; null where nobody knows. */
  otherHz: number | null
  /** What a hand measured it by beside pitch, or in its place, and whether the sheet has it so; null where it did not. */
  hand: HandTarget | null
  asHand: boolean | null
  /** What it is to be brought to; null where only evenness counts. */
  targetHz: number | null
  toleranceCents: number
  /** From there, positive when high; null where either is not known. */
  offCents: number | null
  verdict: Verdict
  /** Its readings cannot stand together: some are to be taken again before anything is turned. */
  disagree: boolean
}

/** What a span without turns told: which lugs were read, and what was said else. */
interface Span {
  read: Set<number>
  dials: Set<number>
  ear: Set<number>
  whole: boolean
}

/** Passes cut where anything was turned, oldest first; what was read before a turn is known only as foretold after it. */
function spansOf(passes: readonly Pass[]): Span[] {
  const open = (): Span => ({ read: new Set(), dials: new Set(), ear: new Set(), whole: false })
  const spans = [open()]
  for (const { readings, dials, ear, earReference, whole, turns } of passes) {
    const span = spans[spans.length - 1]
    for (const lug of readings.keys()) span.read.add(lug)
    for (const lug of dials.keys()) span.dials.add(lug)
    for (const lug of ear.keys()) span.ear.add(lug)
    if (ear.size && earReference) span.ear.add(earReference)
    span.whole ||= whole !== null
    if (turns?.some((turn) => turn !== 0)) spans.push(open())
  }
  return spans
}

/** Three numbers make a head's pattern: lugs on three axes tell them, on a head of four the two that it has. */
export const lugsThatTell = (count: number): number => Math.min(3, count / 2)

function tellEvenness(lugs: ReadonlySet<number>, count: number): boolean {
  const axes = new Set([...lugs].map((lug) => Math.min(lug - 1, oppositeRod(lug - 1, count))))
  return (count % 2 ? lugs.size : axes.size) >= lugsThatTell(count)
}

const pitchBy = ({ read, whole, dials }: Span, law: boolean): HowKnown | null =>
  read.size ? 'lugs' : whole ? 'one-number' : law && dials.size ? 'dial' : null

const evennessBy = ({ read, dials, ear }: Span, count: number): HowKnown | null =>
  tellEvenness(read, count)
    ? 'lugs'
    : tellEvenness(dials, count)
      ? 'dial'
      : tellEvenness(ear, count)
        ? 'ear'
        : null

/** How the newest of some spans knows something, or that it is foretold from an older one. */
function howKnown(spans: readonly Span[], by: (span: Span) => HowKnown | null): Known {
  const newest = spans[spans.length - 1]
  const own = by(newest)
  if (own) return { known: own, lugs: own === 'lugs' ? [...newest.read].sort((a, b) => a - b) : [] }
  return { known: spans.some((span) => by(span)) ? 'expected' : 'unknown', lugs: [] }
}

/** Whether some passes of one sitting, oldest first, tell how even a head of so many lugs is. */
export const tellsEvenness = (passes: readonly Pass[], lugs: number): boolean =>
  howKnown(spansOf(passes), (span) => evennessBy(span, lugs)).known !== 'unknown'

/** What the log tells of a head by itself, worked out once for what it is made from. */
export function figuresOf(
  head: HeadAtHand,
  telling: readonly SittingLog[],
  otherHz: number | null,
  work: (request: EvenRequest) => Judged = judged,
): Judged {
  const { drum, side, aim, kept, gauge, findings } = head
  const request = requestOf(head, otherHz, { open: true })
  const on = [
    ...[
      drum,
      aim,
      kept,
      gauge.gaugeLaw,
      gauge.gaugeError,
      JSON.stringify(request.hand),
      request.learned,
      request.head.other?.hz,
      telling[0],
    ],
    findings.map(({ id }) => id).join(),
  ]
  const what = `status of the ${side}${request.head.other ? ', the other told' : ''}`
  return telling[telling.length - 1].derive(what, on, () => work(request))
}

/** Where a head stands by its own log alone, whatever the other head does. */
export function pitchAlone(head: HeadAtHand): number | null {
  const telling = tellingSittings(head)
  return telling.length ? figuresOf(head, telling, null).meanHz : null
}

const EVENNESS: Partial<Record<HowKnown, Pick<Fitted, 'evenness'>>> = {
  unknown: { evenness: 'unread' },
  dial: { evenness: 'dial' },
  ear: { evenness: 'ear' },
  expected: { evenness: 'foretold' },
}

export function headStatus(here: Here, drum: Drum, side: Side): HeadStatus {
  const head = headAtHand(here, drum, side)
  const telling = tellingSittings(head)
  const { aim, kept } = head
  const nothing = { errorCents: null, known: 'unknown' as const, lugs: [] }
  const aimHz = 'hz' in aim ? aim.hz : aim.kind === 'sheet' ? (kept?.meanHz ?? null) : null
  const otherHz = drum.oneHeaded
    ? null
    : pitchAlone(headAtHand(here, drum, side === 'batter' ? 'resonant' : 'batter'))
  if (telling.length === 0)
    return Object.assign(head, {
      pitch: { hz: null, ...nothing },
      evenness: { ...nothing, spreadCents: null },
      ...{ lugHz: null, at: null, asRead: null, otherHz, targetHz: aimHz, offCents: null },
      ...{ hand: null, asHand: null },
      toleranceCents: kept?.toleranceCents ?? toleranceOf(drum, side, aimHz ?? 150),
      verdict: 'unknown' as const,
      disagree: false,
    })
  const found = figuresOf(head, telling, otherHz)
  const spans = spansOf(telling.flatMap((each) => each.sitting(drum.lugs).passes))
  const pitch = howKnown(spans, (span) => pitchBy(span, head.gauge.gaugeLaw !== null))
  const evenness = howKnown(spans, (span) => evennessBy(span, drum.lugs))
  const at = telling[telling.length - 1].sitting(drum.lugs).endedAt
  const { meanHz, meanErrorCents: errorCents, cosineCents, sineCents, waveErrorCents } = found
  const asRead: Fitted | null =
    meanHz === null || pitch.known === 'unknown'
      ? null
      : {
          hz: meanHz,
          errorCents,
          at,
          cosineCents,
          sineCents,
          waveErrorCents,
          ...(found.disagree ? { evenness: 'unread' as const } : EVENNESS[evenness.known]),
        }
  const hand = handNow(head, evenness.known === 'ear' && found.even)
  const now = head.sitting || !asRead ? asRead : agedOf(here, drum, side, asRead)
  const aged = (known: HowKnown) =>
    head.sitting || known === 'unknown' || known === 'expected' ? known : 'aged'
  const offCents = now && aimHz !== null ? centsBetween(aimHz, now.hz) : null
  const status = {
    pitch: { ...pitch, known: aged(pitch.known), hz: now?.hz ?? null, errorCents: now?.errorCents ?? null },
    evenness: {
      ...evenness,
      known: aged(evenness.known),
      spreadCents: evenness.known === 'unknown' ? null : found.spreadCents,
      errorCents: evenness.known === 'unknown' ? null : found.spreadErrorCents,
    },
    ...{
      ...{ hand, asHand: head.keptHand && handAgrees(head.keptHand, hand, head.gauge) },
      otherHz,
      lugHz: asRead && found.lugHz,
      at,
      asRead,
      targetHz: aimHz,
      offCents,
      toleranceCents: found.toleranceCents,
    },
  }
  // Of another evening nobody asks any more.
  const disagree = found.disagree && head.sitting !== null
  return Object.assign(head, status, {
    verdict: verdictOf(status, found, head.sitting !== null),
    disagree,
  })
}

/** Where a head stands, or is taken to stand while nobody read it: in the usual relation to the other, else as such heads do. */
export function likelyHz({ pitch, otherHz, drum, side }: HeadStatus): number {
  if (pitch.hz !== null) return pitch.hz
  const above = USUAL_RELATION_CENTS[drum.kind]
  return otherHz === null ? usualHz(drum, side) : shiftByCents(otherHz, side === 'resonant' ? above : -above)
}

function agedOf(here: Here, drum: Drum, side: Side, { hz, errorCents }: Fitted) {
  const ageing = headAgeing(here, drum, side)
  if (!ageing) return { hz, errorCents }
  const { cents, sd } = standingAt(ageing, here.nowMs)
  return { hz: shiftByCents(hz, cents - ageing.readCents), errorCents: Math.hypot(sd, errorCents) }
}

/** No word beyond what is known: what is foretold is neither even nor off, one number says nothing of evenness. */
function verdictOf(
  {
    pitch,
    evenness,
    offCents,
    toleranceCents,
  }: Pick<HeadStatus, 'pitch' | 'evenness' | 'offCents' | 'toleranceCents'>,
  found: Judged,
  going: boolean,
): Verdict {
  const isOff = offCents !== null && (going ? found.on === false : isOffPitch(offCents, toleranceCents))
  if (pitch.known === 'expected') return 'unknown'
  if (pitch.known !== 'unknown' && isOff) return 'off'
  if (evenness.known === 'unknown' || evenness.known === 'expected')
    return pitch.known === 'unknown' ? 'unknown' : 'on-pitch-evenness-unknown'
  if (!found.even) return 'uneven'
  return pitch.known === 'unknown' ? 'even-pitch-unknown' : 'even'
}
