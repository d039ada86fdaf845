/**
 * Two ways to tune a snare batter unevenly on purpose, as turns per rod away from an even pull (common practice, no
 * source). Rods count from the badge, which is on the far side from the player.
 */

/** Far side tight for pitch and rebound, near side slack against the ring: on ten lugs 1, 1/2, 0, 0, -5/8, -3/4, ... */
export function farTight(lugs: number): number[] {
  return Array.from({ length: lugs }, (_, rod) => {
    // From the rod at the badge (0) to the one before the player (1), around either side.
    const apart = Math.min(rod, lugs - rod) / (lugs / 2)
    if (apart === 0) return 1
    if (apart <= 0.25) return 0.5
    if (apart < 0.75) return 0
    return apart >= 0.95 ? -0.75 : -0.625
  })
}

/** Only the rods nearest the player slack: low, dry and fat, with the feel kept. */
export function nearSlack(lugs: number): number[] {
  const near = nearRods(lugs)
  return Array.from({ length: lugs }, (_, rod) => (near.includes(rod) ? -0.5 : 0))
}

/** The three rods nearest the player, who sits opposite the badge (common practice): lugs in the middle of the count. */
export function nearRods(lugs: number): number[] {
  const middle = Math.floor(lugs / 2)
  return [middle - 1, middle, middle + 1].map((rod) => ((rod % lugs) + lugs) % lugs)
}
