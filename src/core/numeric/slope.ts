/** Small against all that is differentiated here, large against rounding: logarithms of pitches and of a drum's parts. */
export const SLOPE_STEP = 1e-3
/** Iterations that settle do so in far fewer; one that does not is left where it is. */
export const ENOUGH_STEPS = 30

/** Slope of a smooth function by a forward difference. @param value what it is at `x` */
export const slopeAt = (at: (x: number) => number, x: number, value: number): number =>
  (at(x + SLOPE_STEP) - value) / SLOPE_STEP
