import { lugAngle } from '../head/harmonics'
import { coupledModes } from '../membrane/coupled'
import { HeadModes, type Film, type FoundMode, type OtherFilm } from '../membrane/headModes'
import { LUG_MODE, MODE_SHAPES, tensionFromLugHz, WIDEST_PAIR_CENTS, type ModeShape } from '../membrane/modes'
import { FILM_POISSON, filmStiffness } from '../membrane/planeStress'
import { ritzBasis, shapeAt } from '../membrane/ritz'
import type { Hoop } from '../membrane/turnLaw'
import { inchesToMetres, milsToMetres } from '../units/length'
import { holdDown, leastPull, radialTension, type Held } from './mechanics'
import { idealNature, type Faults, type Nature } from './nature'

/**
 * The practice drum: rods hold the hoop, the hoop the film's edge; plane stress and the air between the heads make its
 * modes. Richer than what the estimate assumes, so that it can judge it. See docs/decisions/practice-drum.md.
 */
export interface PracticeHead {
  diameterInches: number
  depthInches: number
  lugs: number
  hoop: Hoop
  threadPitchMm: number
  pliesMils: readonly number[]
  /** Mean lug pitch in Hz with all rods at 0, other head muted, nothing uneven about the drum. */
  evenHz: number
  /** A hole in the resonant head; and air outside against that of a piston in an endless wall. */
  portInches?: number | undefined
  outsideAir?: number
  /** Turns of each rod away from that state. */
  rods: readonly number[]
  /** Where the film's edge stands at each rod, in the same turns: with friction it lags behind. Left out: at the rods. */
  seats?: readonly number[]
  /** Part of the pull that the film has lost by settling. */
  settled?: number
  nature: Nature
  /** What else is wrong with the drum: its ring, and what rattles along. */
  faults?: Faults
  other: { pliesMils: readonly number[]; lugHz: number; muted: boolean }
}

export interface TruePole {
  hz: number
  /** Angle of the antinode from lug 1, in turns of the drum. */
  axisTurns: number
  /** Part of this mode's movement that is in the tapped head, 1 where it moves alone. */
  share: number
  /** Displacement of the tapped head at a place, 1 being that of the plain shape J_m(j r) cos(m theta). */
  at(spot: Spot): number
}

export interface TrueMode {
  m: number
  n: number
  shape: ModeShape
  poles: TruePole[]
}

export interface Truth {
  /** Mean lug pitch (the pitch whose square is the mean of squares), poles of the (1,1) pair, lug pitches: Hz. */
  meanHz: number
  lugHz: number[]
  modes: TrueMode[]
}

/** A place on or over the head: fraction of the radius, and angle from lug 1 in rad. */
export interface Spot {
  radiusFraction: number
  angle: number
}

/** Enough shapes for all modes that a tap shows: a larger basis moves the lug pitch by less than 0.1 Hz. */
const BASIS = { mMost: 5, nMost: 2 }
/** A head that is all but slack has no modes to speak of: its even tension in N/m is at least this. */
const SLACK_TENSION = 12

/** Where the film's edge stands, and how hard every rod pulls. */
export function heldBy(head: PracticeHead): Held {
  const even = evenTravel(head)
  const seats = head.seats ?? head.rods
  const kept = 1 - (head.settled ?? 0)
  const held = holdDown(
    head,
    seats.map((seat) => (even + seat) * kept),
  )
  const least = edgeFromTension(head, SLACK_TENSION)
  held.edge.cosine[0] = Math.max(least, held.edge.cosine[0])
  return withoutPush(head, held)
}

/** A film does not push: where it would it wrinkles, and the pattern it carries is no larger than leaves this part. */
const LEAST_PART = 0.05
const ANGLES = 36
const RADII = [0.5, 0.75, 1]

function withoutPush(head: PracticeHead, held: Held): Held {
  const even = leastPull(
    head,
    { ...held, edge: { cosine: onlyEven(held.edge.cosine), sine: none(held) } },
    1,
    0,
  )
  const least = Math.min(
    ...RADII.flatMap((r) =>
      Array.from({ length: ANGLES }, (_, i) => leastPull(head, held, r, (2 * Math.PI * i) / ANGLES)),
    ),
  )
  const most = (1 - LEAST_PART) * even
  if (even - least <= most) return held
  // The pull of a pattern is in step with its size, the even pull under it stays.
  const part = most / (even - least)
  const shrink = (parts: readonly number[]) => parts.map((each, k) => (k === 0 ? each : each * part))
  return { ...held, edge: { cosine: shrink(held.edge.cosine), sine: shrink(held.edge.sine) } }
}

const onlyEven = (cosine: readonly number[]) => cosine.map((each, k) => (k === 0 ? each : 0))
const none = ({ edge }: Held) => edge.sine.map(() => 0)

/** Displacement of the film's edge that makes an even tension in N/m. */
function edgeFromTension({ pliesMils, diameterInches }: PracticeHead, tension: number): number {
  const thickness = pliesMils.reduce((sum, mils) => sum + milsToMetres(mils), 0)
  return (tension * (1 - FILM_POISSON)) / filmStiffness(thickness, inchesToMetres(diameterInches) / 2)
}

const basis = () => ritzBasis(BASIS.mMost, BASIS.nMost)

/** Turns of every rod from just touching to the pitch `evenHz`, by this head's own parts. */
export function evenTravel(head: PracticeHead): number {
  const { diameterInches, depthInches, lugs, hoop, threadPitchMm, pliesMils, evenHz, nature } = head
  const key = JSON.stringify([
    ...[diameterInches, depthInches, lugs, hoop, threadPitchMm, pliesMils, evenHz],
    ...[nature.film, nature.yielding, head.outsideAir ?? 1],
  ])
  if (lastTravel?.key !== key) lastTravel = { key, turns: findEvenTravel(head) }
  return lastTravel.turns
}

/** The head last asked for: a turned rod changes nothing about it. */
let lastTravel: { key: string; turns: number } | null = null

function findEvenTravel(head: PracticeHead): number {
  const still = { ...head, space: { depthInches: head.depthInches } }
  let edge = edgeFromTension(head, tensionFromLugHz(still, head.evenHz))
  // The pitch of one shape alone is a little off that of all together.
  for (let i = 0; i < 2; i++) {
    const { hz } = new HeadModes(basis(), filmOf(head, { cosine: [edge], sine: [] }), null).near(LUG_MODE)[0]
    edge *= (head.evenHz / hz) ** 2
  }
  const regular = { ...idealNature(head.lugs), film: head.nature.film, yielding: head.nature.yielding }
  const oneTurn = holdDown({ ...head, nature: regular }, new Array<number>(head.lugs).fill(1))
  return edge / oneTurn.edge.cosine[0]
}

function filmOf(head: PracticeHead, edge: Film['edge']): Film {
  const { diameterInches, depthInches, pliesMils, portInches = 0, outsideAir = 1 } = head
  return { diameterInches, depthInches, pliesMils, edge, portInches, outsideAir }
}

/** The two poles of the lug pitch with the other head muted, the lug pitches, and the tension at every lug in N/m. */
export function lugTruth(head: PracticeHead) {
  const held = heldBy(head)
  const poles = polesOf(LUG_MODE, new HeadModes(basis(), filmOf(head, held.edge), null).near(LUG_MODE))
  const lugHz = lugPitches(poles, head.lugs)
  return { poles, lugHz, meanHz: meanOf(lugHz), edgeTension: edgeTension(head, held), held }
}

const meanOf = (lugHz: readonly number[]) =>
  Math.sqrt(lugHz.reduce((sum, hz) => sum + hz * hz, 0) / lugHz.length)

/** Where the gauge's foot stands: a hand's breadth in from the hoop. */
const GAUGE_AT = 0.85

/** Tension across the hoop near every lug, in N/m. */
export function edgeTension(head: PracticeHead, held = heldBy(head)): number[] {
  return head.rods.map((_, i) => radialTension(head, held, GAUGE_AT, lugAngle(i, head.lugs)))
}

/** What the drum truly sounds like, before any tap: settled pitches. */
export function truthOf(head: PracticeHead): Truth {
  const held = heldBy(head)
  const film = filmOf(head, held.edge)
  const { other, diameterInches, depthInches, outsideAir = 1 } = head
  const otherFilm: OtherFilm = other.muted
    ? null
    : {
        pliesMils: other.pliesMils,
        tension: tensionFromLugHz(
          { diameterInches, pliesMils: other.pliesMils, space: { depthInches }, outsideAir },
          other.lugHz,
        ),
      }
  const found = new HeadModes(basis(), film, otherFilm)
  const muted = otherFilm ? new HeadModes(basis(), film, null) : found
  const modes = MODE_SHAPES.map((shape): TrueMode => {
    const poles = otherFilm
      ? freePoles(head, shape, muted, found, otherFilm)
      : polesOf(shape, found.near(shape))
    return { m: shape.m, n: shape.n, shape, poles }
  })
  const lugHz = lugPitches(modes[MODE_SHAPES.indexOf(LUG_MODE)].poles, head.lugs)
  return { meanHz: meanOf(lugHz), lugHz, modes }
}

/** Both families of a shape's modes with the other head free: started from the two-film model of one shape. */
function freePoles(
  head: PracticeHead,
  shape: ModeShape,
  muted: HeadModes,
  both: HeadModes,
  other: NonNullable<OtherFilm>,
): TruePole[] {
  const alone = muted.near(shape)
  const aloneHz = alone.reduce((sum, { hz }) => sum + hz, 0) / alone.length
  const { diameterInches, depthInches, pliesMils, portInches = 0, outsideAir = 1 } = head
  const tension = tensionOfMode(head, shape, aloneHz)
  return coupledModes(
    { diameterInches, depthInches, portInches, outsideAir },
    shape,
    { pliesMils, tension },
    other,
  ).flatMap((mode) => polesOf(shape, both.near(shape, mode.hz, [mode.batter, mode.resonant])))
}

/** Even tension at which a shape alone, other head still, has this pitch. */
function tensionOfMode(head: PracticeHead, shape: ModeShape, hz: number): number {
  const { diameterInches, depthInches, pliesMils, outsideAir = 1 } = head
  const still = { diameterInches, pliesMils, space: { depthInches }, outsideAir }
  return tensionFromLugHz(still, hz, shape)
}

function polesOf(shape: ModeShape, found: readonly FoundMode[]): TruePole[] {
  const { shapes } = basis()
  return found.map(({ hz, vector, share }) => {
    const part = (sine: boolean) =>
      shapes.reduce(
        (sum, own, i) => (own.m === shape.m && own.n === shape.n && own.sine === sine ? vector[i] : sum),
        0,
      )
    const plain = shapes.find((own) => own.m === shape.m && own.n === shape.n)!.scale
    const size = Math.sqrt(vector.reduce((sum, x) => sum + x * x, 0))
    const axis = shape.m === 0 ? 0 : Math.atan2(part(true), part(false)) / shape.m
    return {
      hz,
      axisTurns: axis / (2 * Math.PI),
      share,
      at: ({ radiusFraction, angle }) =>
        shapes.reduce((sum, own, i) => sum + vector[i] * shapeAt(own, radiusFraction, angle), 0) /
        (plain * size),
    }
  })
}

/**
 * Lug pitch at every lug: the mean of the (1,1) poles weighted by what a tap there and a microphone there pick up,
 * cos^2 of the angle to each antinode, times how much of each pole is in the tapped head.
 */
function lugPitches(poles: readonly TruePole[], lugs: number): number[] {
  return Array.from({ length: lugs }, (_, i) => {
    const weighted = poles.map((pole) => ({
      hz: pole.hz,
      weight: Math.cos(lugAngle(i, lugs) - 2 * Math.PI * pole.axisTurns) ** 2 * pole.share ** 2,
    }))
    const loudest = weighted.reduce((a, b) => (b.weight > a.weight ? b : a)).hz
    // Further from the loudest than two poles of one head come lies the other head's own edge mode.
    const near = weighted.filter(({ hz }) => 1200 * Math.abs(Math.log2(hz / loudest)) < WIDEST_PAIR_CENTS)
    const total = near.reduce((sum, pole) => sum + pole.weight, 0)
    return near.reduce((sum, pole) => sum + pole.weight * pole.hz, 0) / total
  })
}

/**
 * Amplitude of a pole in a tap at one place, heard at another; signed, since a microphone across a nodal line hears the
 * mode upside down. Heard where it was struck it is never negative.
 */
export function pickup(pole: TruePole, struck: Spot, heard: Spot): number {
  return pole.at(struck) * pole.at(heard) * pole.share ** 2
}
