import type { AdviserApi } from '../protocol'
import { watched, type Asked, type Watch } from '../watched'

export type Adviser = Asked<AdviserApi>

/** Longer than any of it takes on a slow phone. */
const DEADLINE_MS: Record<keyof AdviserApi, number> = {
  advise: 15_000,
  pair: 20_000,
  pairMap: 40_000,
  plan: 60_000,
  tryLog: 180_000,
}

/** The adviser, started with the first thing it is asked. */
export function startAdviser(watch: Omit<Watch, 'deadlineMs'>): Adviser {
  return watched<AdviserApi>(() => new Worker(new URL('./worker.ts', import.meta.url), { type: 'module' }), {
    ...watch,
    deadlineMs: (method) => DEADLINE_MS[method as keyof AdviserApi],
  })
}
