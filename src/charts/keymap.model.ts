import { PLAIN_LOOK, rodAngle, type MapLook } from './mapLook'

/** The key map: the head as one looks at it, lugs from the badge on, which is at the top unless the drum is turned. */
export interface KeyMapModel {
  size: number
  radius: number
  badge: { x: number; y: number }
  lugs: Array<{
    lug: number
    x: number
    y: number
    labelX: number
    labelY: number
    turns: number
    next: boolean
    tapped: boolean
  }>
}

/**
 * @param turns per rod of the next move, 0 for rods it leaves alone
 * @param tap lug to tap, from 1, or those that are spoken of; null when none is asked for
 * @param facing rod (from 1) that the drum is turned by to face the hand, at the bottom; null with the badge at the top
 */
export function keyMapModel(
  size: number,
  turns: readonly number[],
  tap: number | readonly number[] | null = null,
  facing: number | null = null,
  look: MapLook = PLAIN_LOOK,
): KeyMapModel {
  const radius = size * 0.36
  const centre = size / 2
  const turned = facing === null ? 0 : Math.PI - rodAngle(facing - 1, turns.length, look)
  const tapped = typeof tap === 'number' ? [tap] : (tap ?? [])
  const lugs = turns.map((turn, i) => {
    const angle = rodAngle(i, turns.length, look) + turned
    const at = (r: number) => ({ x: centre + r * Math.sin(angle), y: centre - r * Math.cos(angle) })
    const rim = at(radius)
    const label = at(radius * 0.72)
    return {
      lug: i + 1,
      x: rim.x,
      y: rim.y,
      labelX: label.x,
      labelY: label.y,
      turns: turn,
      next: turn !== 0,
      tapped: tapped.includes(i + 1),
    }
  })
  const badge = {
    x: centre + (radius + 9) * Math.sin(turned),
    y: centre - (radius + 9) * Math.cos(turned),
  }
  return { size, radius, badge, lugs }
}
