/** Lengths of drums: the trade names diameters in inches and films in mils; the physics wants metres. */

export const METRES_PER_INCH = 0.0254

/** Inches to metres. */
export function inchesToMetres(inches: number): number {
  return inches * METRES_PER_INCH
}

/** Thousandths of an inch (mils) to metres. */
export function milsToMetres(mils: number): number {
  return (mils * METRES_PER_INCH) / 1000
}
