import { CENTS_PER_NEPER } from '../units/pitch'
import { lugAngle } from '../head/harmonics'
import { nearRods } from '../kit/uneven'
import type { PastSitting } from '../log/history'
import { heldOccasions, type Diary } from '../log/diary'
import type { Drum } from '../records/kit'

/** What one rod, or two opposite ones that pitch cannot tell apart, loses between sittings. */
export interface RodLoss {
  /** Rods from 1: one by a gauge, two opposite ones by pitch. */
  rods: number[]
  /** What it fell behind the others in all, in turns by the head's law (on the dial by a gauge), and the standard error of that. */
  turns: number
  errorTurns: number
  /** The newest spans between sittings, of which it is, and those in which the kit was played. */
  spans: number
  played: number
  by: 'pitch' | 'gauge'
  /** Rods of it that carry no lock yet. */
  unlocked: number[]
}

interface Span {
  from: PastSitting
  to: PastSitting
  played: boolean
}

/**
 * Which rods back off between sittings: by pitch as pairs (the second harmonic shows the pair, never the side; see
 * docs/decisions/lug-harmonics.md), by a dial gauge each by itself. Only what falls behind the other rods counts: weather and
 * settling move all alike.
 * @param hz2PerTurn what a turn of every rod adds to the square of the pitch; @returns largest loss first
 */
export function rodLosses(
  drum: Drum,
  history: readonly PastSitting[],
  diary: Diary,
  hz2PerTurn: number,
): RodLoss[] {
  const spans = spansOf(history, diary)
  const gauged = spans.filter(({ from, to }) => from.dials?.left && to.dials?.found)
  return (gauged.length >= LEAST_SPANS ? byGauge(drum, gauged) : byPitch(drum, spans, hz2PerTurn)).sort(
    (a, b) => b.turns - a.turns,
  )
}

const LEAST_SPANS = 2
/** So many spans back a rod is looked after. */
const SPANS = 8

function spansOf(history: readonly PastSitting[], diary: Diary): Span[] {
  const gigs = heldOccasions(diary).map(({ on }) => on)
  const spans = history.slice(1).flatMap((to, i) => {
    const from = history[i]
    if (from.film !== to.film) return []
    return [{ from, to, played: gigs.some((on) => on > from.to && on <= to.from) }]
  })
  return spans.slice(-SPANS)
}

/** By how much a rod's pair of lugs fell more than the head: turns by the law, since both rods of a pair move its second harmonic. */
function byPitch(drum: Drum, spans: readonly Span[], hz2PerTurn: number): RodLoss[] {
  const { lugs } = drum
  const known = spans.flatMap(({ from, to, played }) => {
    const left = from.left ?? (from.turns === null ? from.found : null)
    if (!left || !to.found || left.lugs < lugs / 2 || to.found.lugs < lugs / 2) return []
    const change = {
      cosine: to.found.cosineCents - left.cosineCents,
      sine: to.found.sineCents - left.sineCents,
      error: Math.hypot(left.waveErrorCents, to.found.waveErrorCents),
    }
    return [{ ...change, hz: to.found.hz, played }]
  })
  if (known.length < LEAST_SPANS) return []
  const pairs = lugs % 2 === 0 ? lugs / 2 : lugs
  return Array.from({ length: pairs }, (_, i): RodLoss => {
    const angle = 2 * lugAngle(i, lugs)
    // Each in turns: a pair that is down by t turns on either rod lowers its own lugs by the law.
    const losses = known.map(({ cosine, sine, hz }) => {
      const cents = cosine * Math.cos(angle) + sine * Math.sin(angle)
      return (-cents * 2 * hz * hz) / CENTS_PER_NEPER / hz2PerTurn
    })
    const errors = known.map(({ error, hz }) => (error * 2 * hz * hz) / CENTS_PER_NEPER / hz2PerTurn)
    const rods = lugs % 2 === 0 ? [i + 1, i + 1 + lugs / 2] : [i + 1]
    return {
      rods,
      ...totalOf(losses, errors),
      ...{ spans: known.length, played: known.filter(({ played }) => played).length, by: 'pitch' },
      unlocked: rods.filter((rod) => !drum.lockedRods?.includes(rod)),
    }
  })
}

/** Dials fall as their rod does; what all fell by is not a rod's. In parts of the gauge's scale where no law is known: cents are not. */
function byGauge(drum: Drum, spans: readonly Span[]): RodLoss[] {
  const falls = spans.map(({ from, to }) => {
    const each = Array.from({ length: drum.lugs }, (_, i) => {
      const [left, found] = [from.dials!.left![i] ?? null, to.dials!.found![i] ?? null]
      return left === null || found === null ? null : left - found
    })
    const all = each.filter((fall) => fall !== null).sort((a, b) => a - b)
    const middle = all.length ? all[Math.floor(all.length / 2)] : 0
    return each.map((fall) => (fall === null ? null : fall - middle))
  })
  return Array.from({ length: drum.lugs }, (_, i): RodLoss => {
    const own = falls.flatMap((each) => (each[i] === null ? [] : [each[i]]))
    return {
      rods: [i + 1],
      ...totalOf(
        own,
        own.map(() => GAUGE_ERROR),
      ),
      ...{ spans: own.length, played: spans.filter(({ played }) => played).length, by: 'gauge' },
      unlocked: drum.lockedRods?.includes(i + 1) ? [] : [i + 1],
    }
  }).filter(({ spans: count }) => count >= LEAST_SPANS)
}

/** What two readings of a dial differ by, in its own divisions (a judgement). */
const GAUGE_ERROR = 1.5

/** Losses of span after span add up, and so do the squares of their errors. */
function totalOf(values: readonly number[], errors: readonly number[]) {
  return {
    turns: values.reduce((sum, each) => sum + each, 0),
    errorTurns: Math.sqrt(errors.reduce((sum, each) => sum + each * each, 0)),
  }
}

/** A loss that stands clear of its error is one. */
const CLEAR = 2
/** Less than this nobody turns back. */
export const WORTH_TURNS = 1 / 64
/** A neighbour falls along with a pair; one that falls half as far is another. */
const BESIDE = 0.5

/** The rods to lock: those that clearly back off and carry no lock, of a pair the one nearer to the player. */
export function rodsToLock(drum: Drum, losses: readonly RodLoss[]): RodLoss[] {
  const near = nearRods(drum.lugs).map((rod) => rod + 1)
  const most = losses[0]?.turns ?? 0
  return losses
    .filter(({ turns }) => turns >= BESIDE * most)
    .filter(
      ({ turns, errorTurns, unlocked }) =>
        unlocked.length > 0 && turns > CLEAR * errorTurns && turns > 2 * WORTH_TURNS,
    )
    .slice(0, 2)
    .map((loss) => ({
      ...loss,
      unlocked: [...loss.unlocked].sort((a, b) => Number(near.includes(b)) - Number(near.includes(a))),
    }))
}
