import type { Believed, Past } from '@/core/status/ahead'
import { watched } from '../watched'

/** Longer than a kit of many heads takes on a slow phone. */
const DEADLINE_MS = 60_000

interface BelieverApi {
  believe(pasts: readonly Past[]): Believed[]
}

/** A log is not held back for longer. */
const PATIENCE_MS = 10_000

/** Works out where heads were left; null where that cannot be had, or not soon: then the page works it out when it is asked. */
export function startBeliever(): (pasts: readonly Past[]) => Promise<Believed[] | null> {
  const worker = watched<BelieverApi>(
    () => new Worker(new URL('./worker.ts', import.meta.url), { type: 'module' }),
    { deadlineMs: () => DEADLINE_MS, onLost: () => undefined },
  )
  return (pasts) =>
    Promise.race([
      worker.believe(pasts).catch(() => null),
      new Promise<null>((resolve) => setTimeout(() => resolve(null), PATIENCE_MS)),
    ])
}
