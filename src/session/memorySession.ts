import { believe } from '@/core/status/ahead'
import { pairMapOf } from '@/core/pair/map'
import { solvePair } from '@/core/pair/solve'
import { planKit } from '@/core/spacing/plan'
import { byMoment, inOrder, isWithdrawal } from '@/core/log/order'
import type { Summary } from '@/core/log/summary'
import type { EventLog } from '@/storage/eventLog'
import { NO_FAILURES } from './failures'
import { NO_ACTS } from './undo'
import type { Practised } from '@/core/records/drill'
import { nextTrial } from '@/core/ear/drill'
import { practiceKey } from '@/core/records/plain'
import type { PracticeState } from '@/core/records/practice'
import type { HumbraEvent } from '@/core/records/event'
import type { JournalEntry } from '@/storage/journal'
import { ownGuard } from '@/storage/guard'
import type { StoredTake } from '@/storage/takeStore'
import { tryLog } from '@/workers/adviser/tryLog'
import { advise } from '@/workers/adviser/advise'
import type { SessionDeps } from './deps'
import { Session } from './session'

/** A session on stand-ins, for tests and commands: memory for a disk that can be full, a clock and ids of its own. */
export interface MemoryBench {
  session: Session
  disk: {
    events: HumbraEvent[]
    practice: PracticeState[]
    settings: unknown
    takes: StoredTake[]
    journal: JournalEntry[]
    summaries: Map<string, Summary>
    drills?: Practised[]
    full: boolean
    /** A disk that never answers, as where the page goes away before it does. */
    stuck?: boolean
  }
  advanceMs(ms: number): void
}

export function memorySession(
  disk: MemoryBench['disk'] = {
    events: [],
    practice: [],
    settings: undefined,
    takes: [],
    journal: [],
    summaries: new Map(),
    full: false,
  },
): MemoryBench {
  let now = Date.UTC(2026, 0, 5, 12)
  // A second session on the same disk must not give out ids that the first one used up beside its events.
  let ids = 1000 * disk.events.length
  const missing = () => Promise.reject(new Error('there is no worker here'))
  const deps: SessionDeps = {
    openStorage: () =>
      Promise.resolve({
        log: memoryLog(disk),
        summaries: {
          read: (kit) => Promise.resolve(disk.summaries.get(kit)),
          write: (summary) => Promise.resolve(void disk.summaries.set(summary.kit, structuredClone(summary))),
          clear: () => Promise.resolve(disk.summaries.clear()),
        },
        practice: {
          readAll: () => Promise.resolve(disk.practice),
        },
        settings: {
          read: () => ownGuard.settings(disk.settings),
        },
        drills: {
          readAll: () => Promise.resolve([...(disk.drills ?? [])]),
          write: (records) => {
            if (disk.full) return Promise.reject(new DOMException('full', 'QuotaExceededError'))
            const all = new Map([...(disk.drills ?? []), ...records].map((each) => [each.id, each]))
            disk.drills = [...all.values()]
            return Promise.resolve()
          },
        },
        takes: {
          write: (takes) => {
            if (disk.full) return Promise.reject(new DOMException('full', 'QuotaExceededError'))
            disk.takes.push(...takes)
            return Promise.resolve()
          },
          ofKit: (kit) => Promise.resolve(disk.takes.filter((take) => take.kit === kit)),
          get: (reading) => Promise.resolve(disk.takes.find((take) => take.reading === reading)),
          sizeOf: (kit) => {
            const takes = disk.takes.filter((take) => take.kit === kit)
            return Promise.resolve({
              takes: takes.length,
              bytes: takes.reduce((sum, { wav }) => sum + wav.length, 0),
            })
          },
          removeKit: (kit) => {
            disk.takes = disk.takes.filter((take) => take.kit !== kit)
            return Promise.resolve()
          },
        },
      }),
    journal: {
      keep: (entry) => disk.journal.push(entry) > 0,
      readAll: () => Promise.resolve({ acts: [...disk.journal], damaged: [] }),
      text: (name) => JSON.stringify(disk.journal.find((entry) => entry.name === name) ?? null),
      drop: (names) => void (disk.journal = disk.journal.filter(({ name }) => !names.includes(name))),
    },
    ear: () =>
      ({
        measure: missing,
        practiceTap: missing,
        listen: missing,
        aimAt: missing,
        push: missing,
        deafen: missing,
        look: missing,
        drillTrial: (run: never) => Promise.resolve({ trial: nextTrial(run), sounds: [], rateHz: 48_000 }),
      }) as never,
    adviser: () =>
      ({
        advise: (plan: never, open: never) => Promise.resolve(advise(plan, open)),
        pair: (request: never) => Promise.resolve(solvePair(request)),
        pairMap: (request: never) => Promise.resolve(pairMapOf(request)),
        plan: (request: never) => Promise.resolve(planKit(request)),
        tryLog: (events: never, nowMs: number) => Promise.resolve(tryLog(events, nowMs)),
      }) as never,
    microphone: {
      open: () => Promise.resolve({ ok: false, why: 'missing' }),
      inputs: () => Promise.resolve([]),
    },
    failures: memoryFailures(),
    sitting: memorySitting(),
    closedBecause: () => 'closed',
    onTrouble: () => undefined,
    onWorker: () => undefined,
    whenIdle: (task) => task(),
    believe: (pasts) => Promise.resolve(structuredClone(structuredClone(pasts).map(believe))),
    place: () => '/',
    exclusive: (task) => task(),
    takeOver: () => Promise.resolve(),
    announce: () => undefined,
    onAnnounced: () => undefined,
    readKit: ownGuard.kitFile,
    loadDemo: () => Promise.resolve(null),
    beginsWithDemo: () => Promise.resolve(true),
    nowMs: () => now,
    newId: () => `id-${++ids}`,
  }
  return { session: new Session(deps), disk, advanceMs: (ms) => (now += ms) }
}

/** The log's repository on a list: an event's place is where it stands in it. */
function memoryLog(disk: MemoryBench['disk']): EventLog {
  const placeOf = (id: string) => disk.events.findIndex((event) => event.id === id) + 1
  const ofKit = (kit: string) => inOrder(disk.events.filter((event) => event.kit === kit))
  return {
    kits: () => Promise.resolve([...new Set(disk.events.map(({ kit }) => kit))]),
    lastPlace: () => Promise.resolve(disk.events.length),
    readAfter: (after) =>
      Promise.resolve({ events: disk.events.slice(after), last: disk.events.length, unreadable: 0 }),
    readKit: (kit, behind, most) => {
      const events = ofKit(kit)
        .filter((event) => behind === null || byMoment(event, behind) > 0)
        .slice(0, most)
      return Promise.resolve({ events, end: events.at(-1) ?? null, unreadable: 0 })
    },
    cameLate: (kit, after, before) =>
      Promise.resolve(
        disk.events.slice(after).some((each) => each.kit === kit && byMoment(each, before) <= 0),
      ),
    withdrawals: (kit) => Promise.resolve(ofKit(kit).filter(isWithdrawal)),
    placesOfKit: (kit) => Promise.resolve(new Set(ofKit(kit).map(({ id }) => placeOf(id)))),
    placesOf: (ids) =>
      Promise.resolve(new Map(ids.map((id) => [id, placeOf(id)] as const).filter(([, place]) => place > 0))),
    restart: (events) => Promise.resolve(void disk.events.splice(0, Infinity, ...events)),
    newerThan: () => Promise.resolve(new Set()),
    append: (events, beside) => {
      if (disk.full) return Promise.reject(new DOMException('full', 'QuotaExceededError'))
      if (disk.stuck) return new Promise(() => undefined)
      for (const event of events) if (placeOf(event.id) === 0) disk.events.push(event)
      const states = [...disk.practice, ...(beside?.practice ?? [])]
      disk.practice = [...new Map(states.map((state) => [practiceKey(state), state])).values()]
      disk.settings = beside?.settings ?? disk.settings
      return Promise.resolve(events.map(({ id }) => placeOf(id)))
    },
  }
}

function memoryFailures(): SessionDeps['failures'] {
  let failures = NO_FAILURES
  return { read: () => failures, write: (next) => void (failures = next) }
}

function memorySitting(): SessionDeps['sitting'] {
  let acts = NO_ACTS
  return { read: () => acts, write: (next) => void (acts = next) }
}
