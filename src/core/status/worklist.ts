import { judged } from '../evening/verdict'
import { handAgrees } from './hand'
import { headIn } from './drum'
import type { HeadStatus } from './head'
import { requestAsFound, type Here } from './inputs'
import type { Sheet } from '../log/sheets'
import { headCost, tapMinutes } from '../fitting/fast'
import { PITCH_PART } from '../evening/confidence'
import { turnLawOf, turnsBetween } from '../membrane/turnLaw'
import { normalCdf } from '../numeric/normal'
import type { Drum, HandTarget, Side, Target } from '../records/kit'
import { sidesOf } from '../records/plain'
import type { RunHead } from '../records/sheet'
import { centsBetween, shiftByCents } from '../units/pitch'
import { headKey } from '../log/headKey'
import { OUT } from './targets'

/** One head on the way to a sheet: where it is believed to stand, and what it takes. */
export interface WorkItem {
  drum: Drum
  side: Side
  /** Null where the sheet finds it again by hand alone. */
  target: Target | null
  hand: HandTarget | null
  /** From the target, as believed now; null where the head was never read. */
  offCents: number | null
  /** One standard deviation of that. */
  errorCents: number
  spreadCents: number | null
  /** Read in this sitting: known, not guessed. */
  known: boolean
  /** Probability that it is out of tolerance. */
  out: number
  /** Minutes to be expected: a look at it, and the tuning as often as it is out. */
  minutes: number
  /** What it would be worth to have it right, by how far out it is likely to be. */
  worth: number
  /**
   * The head is younger than the target: its relation to the other head comes first. Pitch that makes the sheet's relation
   * to where the other head stands; null where it is not so, or the other head is not known.
   */
  relationHz: number | null
}

/** So many lugs tell whether a head is still there. */
const CHECK_LUGS = 3
/** A head that is only uneven is turned by at least this. */
const UNEVEN_TURNS = 1 / 16
/** What is heard first: a snare's batter and the toms before a kick, batters before resonants (a judgement). */
const HEARD: Record<Drum['kind'], number> = { snare: 1.2, tom: 1, 'floor-tom': 0.9, kick: 0.7 }
const SIDE_HEARD = { batter: 1, resonant: 0.75 }
/** Further out than this many tolerances is no worse. */
const WORST = 4

/** A kit on its way to a sheet. */
export interface Way extends Here {
  sheet: Sheet
  keys: 1 | 2
}

/** All heads that the sheet speaks of, most in need first; heads of one drum stay together, the resonant one first. */
export function worklist(way: Way): WorkItem[] {
  const { drums } = way.kit
  const items = drums.flatMap((drum) =>
    sidesOf(drum).flatMap((side) => (sheetSays(way.sheet, drum, side) ? [itemOf(way, drum, side)] : [])),
  )
  const need = new Map<string, number>()
  for (const { drum, worth } of items) need.set(drum.id, Math.max(need.get(drum.id) ?? 0, worth))
  return items.sort(
    (a, b) =>
      need.get(b.drum.id)! - need.get(a.drum.id)! ||
      drums.indexOf(a.drum) - drums.indexOf(b.drum) ||
      (a.side === 'resonant' ? -1 : 1),
  )
}

const handOn = ({ versions }: Sheet, drum: Drum, side: Side): HandTarget | null =>
  versions.at(-1)?.drums.get(drum.id)?.hand?.[side] ?? null
export const sheetSays = (sheet: Sheet, drum: Drum, side: Side) =>
  sheet.targets.has(headKey(drum.id, side)) || handOn(sheet, drum, side) !== null

function itemOf(way: Way, drum: Drum, side: Side): WorkItem {
  const { sheet, keys } = way
  const head = headIn(way, drum, side)
  const kept = sheet.targets.get(headKey(drum.id, side))
  if (!kept) return byHand(way, head, handOn(sheet, drum, side)!)
  const { target, at } = kept
  const { pitch, evenness, sitting, verdict } = head
  const fittedAt = head.fittedAt ?? (drum[side].fittedOn ? `${drum[side].fittedOn}T12:00:00.000Z` : null)
  const hand = handOn(sheet, drum, side)
  // Where its dials stand as they were kept it is there, whatever its pitch was the last time.
  const byDial = sitting !== null && hand !== null && handAgrees(hand, head.hand, head.gauge) === true
  const byPitch = sitting !== null && pitch.known !== 'unknown' && pitch.known !== 'expected'
  const known = byPitch || byDial
  const offCents = pitch.hz === null ? null : centsBetween(target.meanHz, pitch.hz)
  const errorCents = pitch.errorCents ?? UNREAD_CENTS
  const { spreadCents } = evenness
  const out = byDial && !byPitch ? 0 : outOf(offCents, errorCents, verdict === 'uneven', target)
  const likely = Math.abs(offCents ?? 0) + 0.8 * errorCents
  const law = turnLawOf(drum, side, head.learned?.hz2PerTurn)
  const turns = Math.abs(turnsBetween(shiftByCents(target.meanHz, -likely), target.meanHz, law))
  const look = known ? 0 : tapMinutes(pitch.hz === null ? drum.lugs : Math.min(CHECK_LUGS, drum.lugs))
  return {
    ...{ drum, side, target, hand, offCents, errorCents, spreadCents, known, out },
    minutes: look + out * headCost(Math.max(UNEVEN_TURNS, turns), drum.lugs, keys).minutes,
    worth: out * HEARD[drum.kind] * SIDE_HEARD[side] * Math.min(WORST, 0.5 + likely / target.toleranceCents),
    relationHz: fittedAt !== null && fittedAt > at ? relationHz(way, drum, side) : null,
  }
}

/** A head whose pitch the sheet does not know: it is out until the hand's own measure, taken in this sitting, says that it is there. */
function byHand({ keys }: Way, head: HeadStatus, hand: HandTarget): WorkItem {
  const { drum, side, sitting, evenness } = head
  const agrees = handAgrees(hand, head.hand, head.gauge)
  const known = sitting !== null && agrees !== null
  const out = known && agrees ? 0 : 1
  const { spreadCents } = evenness
  return {
    ...{ drum, side, target: null, hand, offCents: null, errorCents: UNREAD_CENTS, spreadCents, known, out },
    minutes: (known ? 0 : tapMinutes(drum.lugs)) + out * headCost(UNEVEN_TURNS, drum.lugs, keys).minutes,
    worth: out * HEARD[drum.kind] * SIDE_HEARD[side],
    relationHz: null,
  }
}

/** A head that was never read may stand anywhere. */
const UNREAD_CENTS = 300

/** Probability that the mean is out of tolerance; an uneven head is out. */
export function outOf(
  offCents: number | null,
  errorCents: number,
  uneven: boolean,
  { toleranceCents }: Pick<Target, 'toleranceCents'>,
): number {
  if (offCents === null) return 1
  const sd = Math.max(errorCents, 0.2)
  const most = OUT * PITCH_PART * toleranceCents
  const within = normalCdf((most - offCents) / sd) - normalCdf((-most - offCents) / sd)
  return uneven ? 1 : 1 - within
}

/** Pitch that makes the sheet's relation to where the other head stands; null where that is not known. */
function relationHz(way: Way, drum: Drum, side: Side): number | null {
  const otherSide = side === 'batter' ? 'resonant' : 'batter'
  const own = way.sheet.targets.get(headKey(drum.id, side))!.target
  const other = way.sheet.targets.get(headKey(drum.id, otherSide))?.target
  const { hz } = headIn(way, drum, otherSide).pitch
  return other && hz !== null ? (hz * own.meanHz) / other.meanHz : null
}

/** What of the list to leave when so many minutes are left: what is worth least for its time goes first. */
export function leaveOut(items: readonly WorkItem[], minutesLeft: number): Set<WorkItem> {
  const left = new Set<WorkItem>()
  const ranked = items
    .filter(({ minutes, worth }) => minutes > 0 && worth > 0)
    .sort((a, b) => b.worth / b.minutes - a.worth / a.minutes)
  let used = 0
  for (const item of ranked) {
    if (used + item.minutes > minutesLeft) left.add(item)
    else used += item.minutes
  }
  return left
}

/** How every head of the list stands, as a run keeps it. */
export function runHeads(items: readonly WorkItem[]): RunHead[] {
  return items.map(({ drum, side, target, offCents, errorCents, spreadCents, known }) => ({
    ...{ drum: drum.id, side, offCents, errorCents, spreadCents, known },
    meanHz: offCents === null || !target ? null : shiftByCents(target.meanHz, offCents),
  }))
}

/**
 * Heads of a run that were only believed when it began, as their first readings since then found them.
 * @param before how every head stood when it began
 */
export function foundHeads(way: Way, before: readonly RunHead[], startedMs: number): RunHead[] {
  return before.flatMap((was): RunHead[] => {
    const drum = way.kit.drums.find(({ id }) => id === was.drum)
    const target = way.sheet.targets.get(headKey(was.drum, was.side))?.target
    if (was.known || !drum || !target) return []
    const found = requestAsFound(headIn(way, drum, was.side), startedMs)
    const fit = found && judged(found.request)
    if (!fit || fit.meanHz === null) return []
    return [
      {
        ...{ drum: was.drum, side: was.side, known: true, meanHz: fit.meanHz },
        errorCents: fit.meanErrorCents,
        offCents: centsBetween(target.meanHz, fit.meanHz),
        spreadCents: fit.spreadCents,
      },
    ]
  })
}

/** Below this a head that was not read in this sitting is left alone: likely still there. */
const LIKELY_FINE = 0.12

/** Whether a head still wants work or a look. */
export const wantsWork = ({ out, known }: Pick<WorkItem, 'out' | 'known'>) =>
  known ? out > 0.5 : out > LIKELY_FINE
