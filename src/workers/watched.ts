import { wrap, type Remote } from 'comlink'

/** A worker that did not come back after it was started anew: what was asked has no answer. */
export class WorkerLost extends Error {
  constructor(cause: string) {
    super(`the worker did not come back: ${cause}`)
    this.name = 'WorkerLost'
  }
}

/** The methods of a worker as they are asked from outside. */
export type Asked<Api> = {
  [Name in keyof Api]: Api[Name] extends (...args: infer Args) => infer Result
    ? (...args: Args) => Promise<Awaited<Result>>
    : never
}

export interface Watch {
  /** Within so many ms of its asking a method answers, or its worker counts as dead. */
  deadlineMs(method: string, args: readonly unknown[]): number
  /** It was started anew: what it knew is gone. */
  onRestart?(): void
  /** It failed a second time: to be said. */
  onLost(): void
  /** Something was answered: whatever was said before no longer holds. */
  onAnswer?(): void
}

interface Running {
  worker: Worker
  remote: Remote<Record<string, (...args: unknown[]) => unknown>>
  /** Rejects when the worker cannot be loaded, or throws outside of an answer. */
  broken: Promise<never>
}

/**
 * A worker that is watched: one that cannot be loaded, dies, or does not answer in time is ended and started anew once, and what
 * was asked is asked again. Arguments are copied, not handed over, so that they can be.
 */
export function watched<Api extends object>(start: () => Worker, watch: Watch): Asked<Api> {
  let running: Running | null = null

  const begin = (): Running => {
    const worker = start()
    const broken = new Promise<never>((_resolve, reject) => {
      const fail = (event: Event) => {
        event.preventDefault?.()
        reject(new Failed((event as ErrorEvent).message || 'it could not be started'))
      }
      worker.addEventListener('error', fail)
      worker.addEventListener('messageerror', fail)
    })
    broken.catch(() => undefined)
    return { worker, remote: wrap(worker), broken }
  }

  const attempt = async (method: string, args: readonly unknown[]): Promise<unknown> => {
    const mine = (running ??= begin())
    let timer: ReturnType<typeof setTimeout> | undefined
    const late = new Promise<never>((_resolve, reject) => {
      timer = setTimeout(
        () => reject(new Failed('it did not answer in time')),
        watch.deadlineMs(method, args),
      )
    })
    try {
      return await Promise.race([mine.remote[method](...args), mine.broken, late])
    } catch (error) {
      if (error instanceof Failed && running === mine) {
        mine.worker.terminate()
        running = null
      }
      throw error
    } finally {
      clearTimeout(timer)
    }
  }

  const ask = async (method: string, args: readonly unknown[]): Promise<unknown> => {
    for (let again = false; ; again = true) {
      try {
        const answer = await attempt(method, args)
        watch.onAnswer?.()
        return answer
      } catch (error) {
        if (!(error instanceof Failed)) throw error
        if (again) {
          watch.onLost()
          throw new WorkerLost(error.message)
        }
        watch.onRestart?.()
      }
    }
  }

  return new Proxy({} as Asked<Api>, {
    get: (_target, method) =>
      method === 'then' ? undefined : (...args: unknown[]) => ask(String(method), args),
  })
}

class Failed extends Error {}
