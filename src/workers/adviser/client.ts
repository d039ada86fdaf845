import { wrap, type Remote } from 'comlink'
import type { AdviserApi } from '../protocol'

export type Adviser = Remote<AdviserApi>

/** Starts the adviser; throws where the browser has no workers. */
export function startAdviser(): Adviser {
  return wrap<AdviserApi>(new Worker(new URL('./worker.ts', import.meta.url), { type: 'module' }))
}
