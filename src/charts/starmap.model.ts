import { PLAIN_LOOK, rodAngle, type MapLook } from './mapLook'

/** The order in which rods are taken, drawn on the head: a line along each pair, its place in the order at either end. */
export interface StarMapModel {
  size: number
  radius: number
  badge: { x: number; y: number }
  lugs: Array<{ lug: number; place: number; x: number; y: number; labelX: number; labelY: number }>
  lines: Array<{ x1: number; y1: number; x2: number; y2: number; place: number }>
}

/** Labels stand this far outside of the rim, clear of the numbers on it. */
const LABEL_OFF = 21

/** @param groups rods (0-based) in the order of the hands: pairs, or a single one that is left over */
export function starMapModel(
  size: number,
  groups: readonly (readonly number[])[],
  look: MapLook = PLAIN_LOOK,
): StarMapModel {
  const radius = size * 0.31
  const centre = size / 2
  const lugs = groups.reduce((sum, group) => sum + group.length, 0)
  const at = (rod: number, r: number) => {
    const angle = rodAngle(rod, lugs, look)
    return { x: centre + r * Math.sin(angle), y: centre - r * Math.cos(angle) }
  }
  return {
    size,
    radius,
    badge: { x: centre, y: centre - radius - 10 },
    lugs: groups.flatMap((group, i) =>
      group.map((rod) => {
        const label = at(rod, radius + LABEL_OFF)
        return { lug: rod + 1, place: i + 1, ...at(rod, radius), labelX: label.x, labelY: label.y }
      }),
    ),
    lines: groups
      .map((group, i) => ({ group, place: i + 1 }))
      .filter(({ group }) => group.length === 2)
      .map(({ group: [a, b], place }) => {
        const [from, to] = [at(a, radius * 0.9), at(b, radius * 0.9)]
        return { x1: from.x, y1: from.y, x2: to.x, y2: to.y, place }
      }),
  }
}
