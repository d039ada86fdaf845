import { availableParallelism } from 'node:os'
import { join } from 'node:path'
import { Piscina } from 'piscina'
import type { Answer, Asking } from './protocol'

/** As many jobs at once as there are cores, and never fewer than two: one that takes long must not keep the others waiting. */
const THREADS = Math.max(2, availableParallelism())
/** What waits beyond this is turned away at once. */
const WAITING = 64
const DEADLINE_MS = 4500
const MEMORY_MB = 512
/** Built by scripts/build-answers.mjs. */
const WORKER = join(process.cwd(), '.cache', 'server', 'answers.mjs')

// Every route is a bundle of its own: they share one pool by a name that all of them know.
const NAME = Symbol.for('humbra.answers')
const shared = globalThis as { [NAME]?: Piscina }

function pool(): Piscina {
  return (shared[NAME] ??= new Piscina({
    filename: WORKER,
    minThreads: THREADS,
    maxThreads: THREADS,
    maxQueue: WAITING,
    resourceLimits: { maxOldGenerationSizeMb: MEMORY_MB },
  }))
}

export type Answered = { ok: true; answer: Answer } | { ok: false; why: 'late' | 'busy' | 'failed' }

/** Has a request answered off the event loop, within the deadline or not at all: then its thread is ended. */
export async function answered(asking: Asking): Promise<Answered> {
  const deadline = new AbortController()
  const timer = setTimeout(() => deadline.abort(), DEADLINE_MS)
  try {
    return { ok: true, answer: (await pool().run(asking, { signal: deadline.signal })) as Answer }
  } catch (error) {
    if (deadline.signal.aborted) return { ok: false, why: 'late' }
    return { ok: false, why: /queue|limit/i.test(String(error)) ? 'busy' : 'failed' }
  } finally {
    clearTimeout(timer)
  }
}
