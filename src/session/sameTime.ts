import type { SessionState } from './state'

/** What lies this close in time is the same to a plan, a pair or a drum's job: the clock alone asks for nothing anew. */
const SAME_MS = 10 * 60_000

/** The clock in steps of that. */
export const sameTime = ({ clockMs }: Pick<SessionState, 'clockMs'>): number =>
  Math.floor(clockMs / SAME_MS) * SAME_MS
