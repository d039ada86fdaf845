import type { EarApi } from '../protocol'
import { watched, type Asked, type Watch } from '../watched'

export type Ear = Asked<EarApi>

const DEADLINE_MS = 10_000
/** A recording may take as long again as it lasts. */
const PER_SECOND_MS = 2000

/** The ear, started with the first thing it is asked. */
export function startEar(watch: Omit<Watch, 'deadlineMs'>): Ear {
  return watched<EarApi>(() => new Worker(new URL('./worker.ts', import.meta.url), { type: 'module' }), {
    ...watch,
    deadlineMs(method, [samples, rateHz]) {
      const recording = method === 'measure' && samples instanceof Float32Array
      return DEADLINE_MS + (recording ? (PER_SECOND_MS * samples.length) / Number(rateHz) : 0)
    },
  })
}
