import { harmonicsOf, lugAngle } from '../head/harmonics'
import { coupledModes } from '../membrane/coupled'
import {
  LUG_MODE,
  MODE_SHAPES,
  modeAmplitude,
  modeHz,
  tensionFromLugHz,
  WIDEST_PAIR_CENTS,
  type ModeShape,
} from '../membrane/modes'

/**
 * The practice drum, first order: rods set the mean and the second harmonic of the tapped head; the membrane with its
 * air sets where the other modes lie. Simpler than a drum (no hoop mechanics, no friction), and said so.
 */
export interface PracticeHead {
  diameterInches: number
  depthInches: number
  lugs: number
  pliesMils: readonly number[]
  /** Mean lug pitch in Hz with all rods at 0, other head muted. */
  evenHz: number
  /** Turns of each rod away from that state. */
  rods: readonly number[]
  /** The head's true answers: Hz^2 per turn of every rod, and of the second harmonic against it. */
  hz2PerTurn: number
  secondAnswer: number
  other: { pliesMils: readonly number[]; lugHz: number; muted: boolean }
}

export interface TruePole {
  hz: number
  /** Angle of the antinode from lug 1, in turns of the drum. */
  axisTurns: number
  /** Displacement of the tapped head in this mode, 1 where it moves alone. */
  share: number
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

/** A pitch below this is slack film, which has no modes to speak of. */
const SLACK_HZ2 = 25 * 25
/** Answer of the (2,1) pair to the fourth harmonic, relative to the turn law; small and not used by any solver. */
const FOURTH_ANSWER = 0.2

/** What the drum truly sounds like, before any tap: settled pitches. */
export function truthOf(head: PracticeHead): Truth {
  const { lugs, hz2PerTurn } = head
  const rods = harmonicsOf(head.rods)
  const meanHz2 = Math.max(SLACK_HZ2, head.evenHz ** 2 + hz2PerTurn * rods.mean)
  const amplitude = Math.min(
    0.6 * meanHz2,
    hz2PerTurn * head.secondAnswer * Math.hypot(rods.cosine, rods.sine),
  )
  const axis = Math.atan2(rods.sine, rods.cosine) / 2
  const meanHz = Math.sqrt(meanHz2)
  const bare = {
    diameterInches: head.diameterInches,
    pliesMils: head.pliesMils,
    space: { depthInches: head.depthInches },
  }
  const tension = tensionFromLugHz(bare, meanHz)

  const modes = MODE_SHAPES.map((shape): TrueMode => {
    const ripple = rippleOf(shape, head, amplitude, axis)
    const alone = modeHz(bare, shape, tension)
    const poles = ripple.flatMap(({ relative, axisTurns }) =>
      freePoles(head, shape, tension * (1 + relative), alone * Math.sqrt(1 + relative)).map((pole) => ({
        ...pole,
        axisTurns,
      })),
    )
    return { m: shape.m, n: shape.n, shape, poles }
  })
  return { meanHz, lugHz: lugPitches(modes[MODE_SHAPES.indexOf(LUG_MODE)], lugs), modes }
}

/** Relative change of the squared pitch of each pole of a shape, from the head's unevenness. */
function rippleOf(shape: ModeShape, head: PracticeHead, amplitude: number, axis: number) {
  if (shape.m === 0) return [{ relative: 0, axisTurns: 0 }]
  const meanHz2 = Math.max(SLACK_HZ2, head.evenHz ** 2 + head.hz2PerTurn * harmonicsOf(head.rods).mean)
  let size = 0
  let angle = axis
  if (shape.m === 1) size = amplitude / meanHz2
  if (shape.m === 2) {
    const fourth = projection(head.rods, 4)
    size = (head.hz2PerTurn * FOURTH_ANSWER * fourth.size) / meanHz2
    angle = fourth.angle / 4
  }
  return [
    { relative: size, axisTurns: angle / (2 * Math.PI) },
    { relative: -size, axisTurns: (angle + Math.PI / (2 * shape.m)) / (2 * Math.PI) },
  ]
}

function projection(rods: readonly number[], order: number): { size: number; angle: number } {
  let c = 0
  let s = 0
  rods.forEach((rod, i) => {
    c += (2 * rod * Math.cos(order * lugAngle(i, rods.length))) / rods.length
    s += (2 * rod * Math.sin(order * lugAngle(i, rods.length))) / rods.length
  })
  return { size: Math.hypot(c, s), angle: Math.atan2(s, c) }
}

/** One pole with the other head muted; the two coupled ones with it free. */
function freePoles(head: PracticeHead, shape: ModeShape, tension: number, aloneHz: number) {
  if (head.other.muted) return [{ hz: aloneHz, share: 1 }]
  const space = { depthInches: head.depthInches }
  const otherTension = tensionFromLugHz(
    { diameterInches: head.diameterInches, pliesMils: head.other.pliesMils, space },
    head.other.lugHz,
  )
  return coupledModes(
    head.diameterInches,
    head.depthInches,
    shape,
    { pliesMils: head.pliesMils, tension },
    { pliesMils: head.other.pliesMils, tension: otherTension },
  ).map(({ hz, batter }) => ({ hz, share: Math.abs(batter) }))
}

/** Poles further than this from the loudest are the other head's own edge mode, not part of the lug pitch. */
const SAME_PITCH_RATIO = 2 ** (WIDEST_PAIR_CENTS / 1200)

/**
 * Lug pitch at every lug: the mean of the (1,1) poles weighted by what a tap there and a microphone there pick up,
 * cos^2 of the angle to each antinode, times how much of each pole is in the tapped head.
 */
function lugPitches(mode: TrueMode, lugs: number): number[] {
  return Array.from({ length: lugs }, (_, i) => {
    const weighted = mode.poles.map((pole) => ({
      hz: pole.hz,
      weight: Math.cos(lugAngle(i, lugs) - 2 * Math.PI * pole.axisTurns) ** 2 * pole.share ** 2,
    }))
    const loudest = weighted.reduce((a, b) => (b.weight > a.weight ? b : a)).hz
    const near = weighted.filter(({ hz }) => Math.max(hz / loudest, loudest / hz) < SAME_PITCH_RATIO)
    const total = near.reduce((sum, pole) => sum + pole.weight, 0)
    return near.reduce((sum, pole) => sum + pole.weight * pole.hz, 0) / total
  })
}

/** Strength of a pole in a tap at (radius fraction, angle), heard close to that place. */
export function pickup(mode: TrueMode, pole: TruePole, radiusFraction: number, angle: number): number {
  const radial = modeAmplitude(mode.shape, radiusFraction) ** 2
  const angular = mode.m === 0 ? 1 : Math.cos(mode.m * (angle - 2 * Math.PI * pole.axisTurns)) ** 2
  return radial * angular * pole.share ** 2
}
