/** The middle of some values, the upper of the two middle ones for an even count; NaN of none. */
export function median(values: readonly number[]): number {
  if (values.length === 0) return NaN
  return [...values].sort((a, b) => a - b)[Math.floor(values.length / 2)]
}
