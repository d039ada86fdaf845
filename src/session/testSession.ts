import type { PracticeState } from '@/core/records/practice'
import type { HumbraEvent } from '@/core/records/event'
import { advise } from '@/workers/adviser/advise'
import type { SessionDeps } from './deps'
import { Session } from './session'

/** A session on stand-ins, for tests: memory for a disk that can be full, a clock and ids of its own, no microphone. */
export interface TestBench {
  session: Session
  disk: { events: HumbraEvent[]; practice: PracticeState[]; settings: unknown; full: boolean }
  advanceMs(ms: number): void
}

export function testSession(
  disk: TestBench['disk'] = { events: [], practice: [], settings: undefined, full: false },
): TestBench {
  let now = Date.UTC(2026, 0, 5, 12)
  let ids = disk.events.length
  const missing = () => Promise.reject(new Error('not in this test'))
  const deps: SessionDeps = {
    openStorage: () =>
      Promise.resolve({
        log: {
          readAfter: (after) =>
            Promise.resolve({ events: disk.events.slice(after), last: disk.events.length, unreadable: 0 }),
          append: (events) => {
            if (disk.full) return Promise.reject(new DOMException('full', 'QuotaExceededError'))
            disk.events.push(...events)
            return Promise.resolve(disk.events.length)
          },
        },
        practice: {
          readAll: () => Promise.resolve(disk.practice),
          write: (states) => {
            disk.practice = [...states]
            return Promise.resolve()
          },
        },
        settings: {
          read: () => Promise.resolve(disk.settings),
          write: (settings) => {
            disk.settings = settings
            return Promise.resolve()
          },
        },
      }),
    ear: () =>
      ({ measure: missing, practiceTap: missing, listen: missing, aimAt: missing, push: missing }) as never,
    adviser: () => ({ advise: (plan: never, open: never) => Promise.resolve(advise(plan, open)) }) as never,
    microphone: { open: () => Promise.resolve({ ok: false, why: 'missing' }) },
    exclusive: (task) => task(),
    announce: () => undefined,
    onAnnounced: () => undefined,
    loadDemo: () => Promise.resolve(null),
    nowMs: () => now,
    newId: () => `id-${++ids}`,
  }
  return { session: new Session(deps), disk, advanceMs: (ms) => (now += ms) }
}
