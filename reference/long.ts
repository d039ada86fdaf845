/** `make check` tries the long forms: more draws, all sizes; `make test` the short ones, of the same properties. */
export const LONG = process.env.HUMBRA_LONG === '1'

/** How often something is tried: so often in every run, so often in the long one. */
export const times = (short: number, long: number): number => (LONG ? long : short)
