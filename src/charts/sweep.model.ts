import { arc } from 'd3-shape'

/** A key sweep: a ring, and an arc from twelve o'clock as far as the key goes. */
export interface SweepModel {
  ring: string
  /** Filled clockwise for tighten, outlined anticlockwise for loosen. */
  arc: string
  tighten: boolean
  /** Angle of the rod's square head after the turn, in degrees clockwise. */
  degrees: number
}

const INNER = 0.66

export function sweepModel(turns: number, radius: number): SweepModel {
  const draw = arc<null>()
    .innerRadius(radius * INNER)
    .outerRadius(radius)
  // A whole turn and more fills the ring; the fraction beside it says how many.
  const part = Math.max(-1, Math.min(1, turns))
  const end = 2 * Math.PI * part
  return {
    ring: draw.startAngle(0).endAngle(2 * Math.PI)(null)!,
    arc: draw.startAngle(Math.min(0, end)).endAngle(Math.max(0, end))(null)!,
    tighten: turns >= 0,
    degrees: 360 * part,
  }
}
