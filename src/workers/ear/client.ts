import { transfer, wrap, type Remote } from 'comlink'
import type { EarApi } from '../protocol'

export type Ear = Remote<EarApi>

/** Starts the ear; throws where the browser has no workers. */
export function startEar(): Ear {
  return wrap<EarApi>(new Worker(new URL('./worker.ts', import.meta.url), { type: 'module' }))
}

/** Hands samples over to a worker: the caller's array is empty afterwards. */
export function handOver(samples: Float32Array): Float32Array {
  return transfer(samples, [samples.buffer])
}
