/** How a head is looked at: which way round its lugs count, and where its badge stands. */
export interface MapLook {
  /** Anticlockwise: a left-handed drummer's, or a resonant head that is looked at through the drum. */
  mirrored: boolean
  /** The badge stands at lug 1; else between the last lug and the first. */
  badgeAtLug: boolean
}

export const PLAIN_LOOK: MapLook = { mirrored: false, badgeAtLug: false }

/** Angle of a rod (0-based) clockwise from the badge, in radians. */
export function rodAngle(rod: number, lugs: number, { mirrored, badgeAtLug }: MapLook): number {
  const angle = (2 * Math.PI * (rod + (badgeAtLug ? 0 : 0.5))) / lugs
  return mirrored ? -angle : angle
}
