import type { HeadState } from '../head/estimate'
import { densityOf, heardBetween, partsOf, polesOf, shareAt, type Reader } from '../head/readingLaw'
import { isBare, lugsLead } from '../head/pictures'
import type { LugReading } from '../head/readings'
import { CENTS_PER_NEPER } from '../units/pitch'
import { bedDepth, bedProfile } from './bed'
import { wantedOverLugs, type TargetPattern } from './cost'

/**
 * What was read, beside what is believed: it stands outside the estimate and can veto it. A tool that calls a head even over
 * readings that are not is worse than none.
 */
export interface AsRead {
  /** Highest minus lowest of the newest readings against the target's own profile, in cents; null under two. */
  spreadCents: number | null
  /** The readings lie outside the tolerance by more than their errors. */
  outside: boolean
}

/** Errors beyond which a difference is no chance: 95% of a normal law. */
const BEYOND_ERRORS = 1.96

const errorCents = ({ errorHz, hz }: LugReading) => (CENTS_PER_NEPER * errorHz) / hz

/**
 * @param pitchMatters the target is a pitch, not evenness alone
 * @param evenMatters false for a head that is uneven on purpose: its lugs need not agree
 */
export function asRead(
  state: HeadState,
  target: TargetPattern,
  toleranceCents: number,
  pitchMatters: boolean,
  evenMatters: boolean,
): AsRead {
  const { newest, lugs, scatter } = state
  const cents = new Map(newest.map(({ lug, hz }) => [lug, CENTS_PER_NEPER * Math.log(hz)]))
  const { bed, mean: meanHz2 } = target
  const alone = lugsLead(state)
  // Two poles show a bed as a wave, whose depth the target has from what is believed; lugs of their own show it as it was read.
  const wanted =
    bed && alone ? bedProfile(bed, bedDepth(bed, cents), meanHz2, lugs) : wantedOverLugs(target, lugs, alone)
  const off = newest.map((reading) => ({
    cents: CENTS_PER_NEPER * Math.log(reading.hz / Math.sqrt(wanted[reading.lug])),
    error: errorCents(reading) * (isBare(reading) ? scatter : 1),
  }))
  if (off.length === 0) return { spreadCents: null, outside: false }
  const beyond = (cents: number, error: number) => cents - toleranceCents > BEYOND_ERRORS * error
  const uneven = off.some((a) => off.some((b) => beyond(a.cents - b.cents, Math.hypot(a.error, b.error))))
  const mean = off.reduce((sum, { cents }) => sum + cents, 0) / off.length
  const meanError = Math.hypot(...off.map(({ error }) => error)) / off.length
  // Half the spread may lie on top of the mean's own distance.
  const away =
    off.length === lugs
      ? beyond(Math.abs(mean), meanError)
      : off.some(({ cents, error }) => beyond(Math.abs(cents) - toleranceCents / 2, error))
  const all = off.map(({ cents }) => cents)
  return {
    spreadCents: off.length > 1 ? Math.max(...all) - Math.min(...all) : null,
    outside: (evenMatters && uneven) || (pitchMatters && away),
  }
}

/** Two lugs whose readings no head could show together, by how much, and why. */
export interface Disagreement {
  lugs: number[]
  cents: number
  what: 'opposite' | 'stands-alone' | 'third-level' | 'apart'
}

/**
 * A reading stands against the head when it lies this many errors off, this many cents, and this part of the pair's width:
 * hoops are irregular, and a rough head is never quite the pattern of its two poles.
 */
const AGAINST_ERRORS = 4
const AGAINST_CENTS = 15
const AGAINST_PART = 0.5

/** A reading (0-based lug) that stands against the head, by so many cents; one that came again is a fact. */
export interface Against {
  lug: number
  cents: number
  confirmed: boolean
}

/** Readings (0-based lugs) that the head as a whole cannot show, with how far they lie off it, furthest first. */
export function against(state: HeadState): Against[] {
  const { leading, hypotheses, lugs, byLug, scatter } = state
  const newest = state.newest.map((one) => (isBare(one) ? { ...one, errorHz: one.errorHz * scatter } : one))
  // Lug by lug nothing stands against a head but what no lug could show.
  const strays = byLug && byLug.weight > LUGS_EXPLAIN ? byLug.picture.stray : null
  const poles = polesOf(leading.x)
  const reader = leadingReader(hypotheses)
  return newest
    .flatMap((reading) => {
      if (strays && (reading.confirmed || !strays.includes(reading.lug))) return []
      const { cents, error } = offHead(reading, poles, lugs, reader)
      const least = Math.max(
        AGAINST_ERRORS * error,
        AGAINST_CENTS,
        AGAINST_PART * poles.apart * CENTS_PER_NEPER,
      )
      const { total, slip } = densityOf(reading, partsOf(reading, poles, lugs, reader, 0))
      return Math.abs(cents) > least || (slip > 0.5 * total && !reading.confirmed)
        ? [{ lug: reading.lug, cents, confirmed: reading.confirmed ?? false }]
        : []
    })
    .sort((a, b) => Math.abs(b.cents) - Math.abs(a.cents))
}

/** From this weight on the picture lug by lug explains what the two poles do not. */
const LUGS_EXPLAIN = 0.05

function leadingReader(hypotheses: HeadState['hypotheses']): Reader {
  return hypotheses.reduce((a, b) => (b.weight > a.weight ? b : a)).reader
}

/** A lug whose share of the poles is this near to equal may show either. */
const EITHER_SHARE = 0.3

/** Distance of a reading from what the head would show there; from the nearer pole where either may be heard. */
function offHead(reading: LugReading, poles: ReturnType<typeof polesOf>, lugs: number, reader: Reader) {
  const share = shareAt(poles, reading.lug, lugs)
  const at = Math.log(reading.hz)
  const from = (of: number) => CENTS_PER_NEPER * (at - of)
  const own = errorCents(reading)
  if (reading.alone || reading.poles || reader === 'standing') {
    const all = [poles.low, poles.low + poles.apart, poles.low + share * poles.apart].map(from)
    return { cents: all.reduce((a, b) => (Math.abs(b) < Math.abs(a) ? b : a)), error: own }
  }
  const { part, error } = heardBetween(share, poles.apart, reader)
  const expected = from(poles.low + part * poles.apart)
  const either = [poles.low, poles.low + poles.apart].map(from)
  const between = reader === 'peak' && Math.abs(share - 0.5) < EITHER_SHARE
  return {
    cents: (between ? [expected, ...either] : [expected]).reduce((a, b) =>
      Math.abs(b) < Math.abs(a) ? b : a,
    ),
    error: Math.hypot(own, error * poles.apart * CENTS_PER_NEPER),
  }
}

/** The same for an ear: its words are coarse, and two that contradict each other are worth a second listen. */
const EAR_AGAINST_ERRORS = 1.8
/** A difference between opposite lugs beyond this is more than a stroke a little off makes. */
const OPPOSITE_CENTS = 12

/**
 * Pairs that cannot stand together: opposite lugs that differ by more than their errors, else a lug that lies off the head.
 * @param off what {@link against} found
 */
export function disagreements({ newest, lugs, knownBy }: HeadState, off: readonly Against[]): Disagreement[] {
  const errorsApart = knownBy === 'ear' ? EAR_AGAINST_ERRORS : AGAINST_ERRORS
  const byLug = new Map(newest.map((reading) => [reading.lug, reading]))
  const pairs: Disagreement[] = []
  if (lugs % 2 === 0)
    for (let lug = 0; lug < lugs / 2; lug++) {
      const [a, b] = [byLug.get(lug), byLug.get(lug + lugs / 2)]
      if (!a || !b) continue
      const cents = CENTS_PER_NEPER * Math.log(b.hz / a.hz)
      const errors = Math.hypot(errorCents(a), errorCents(b))
      if (Math.abs(cents) > Math.max(OPPOSITE_CENTS, errorsApart * errors))
        pairs.push({ lugs: [lug + 1, lug + 1 + lugs / 2], cents, what: 'opposite' })
    }
  const named = new Set(pairs.flatMap((pair) => pair.lugs))
  const alone = off
    .filter(({ lug }) => !named.has(lug + 1))
    .map(({ lug, cents }): Disagreement => ({
      ...{ lugs: [lug + 1], cents },
      what: off.length > 1 ? 'third-level' : 'stands-alone',
    }))
  const all = [...pairs, ...alone].sort((a, b) => Math.abs(b.cents) - Math.abs(a.cents))
  return all.length > 0 ? all : furthestApart(newest)
}

/** Where no single lug stands out: the highest and the lowest reading, which lie too far apart together. */
function furthestApart(newest: readonly LugReading[]): Disagreement[] {
  if (newest.length < 2) return []
  const sorted = [...newest].sort((a, b) => a.hz - b.hz)
  const [low, high] = [sorted[0], sorted.at(-1)!]
  return [
    {
      lugs: [low.lug + 1, high.lug + 1],
      cents: CENTS_PER_NEPER * Math.log(high.hz / low.hz),
      what: 'apart',
    },
  ]
}
