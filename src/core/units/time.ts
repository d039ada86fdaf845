/** A day in milliseconds. */
export const DAY_MS = 24 * 3600 * 1000
