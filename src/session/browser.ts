import { startAdviser, type Adviser } from '@/workers/adviser/client'
import { startBeliever } from '@/workers/believer/client'
import { startGuard } from '@/workers/guard/client'
import { startEar, type Ear } from '@/workers/ear/client'
import { browserMicrophone } from '@/audio/microphone'
import { drillStore } from '@/storage/drillStore'
import { eventLog } from '@/storage/eventLog'
import { browserJournal } from '@/storage/journal'
import { practiceStore } from '@/storage/practiceStore'
import { openHumbraDb, type Db } from '@/storage/schema'
import { summaryStore } from '@/storage/summaryStore'
import { takeStore } from '@/storage/takeStore'
import { settingsStore } from '@/storage/settingsStore'
import { WorkerLost } from '@/workers/watched'
import { bringDemo } from './actions/demo'
import { watchAdvice } from './adviceWatch'
import type { SessionDeps, WorkerName } from './deps'
import { atRest, browserFailures } from './failures'
import type { Trouble } from './keeper'
import { once } from '@/core/numeric/once'
import { keepOffline } from './offline'
import { Session } from './session'
import { browserSitting } from './sittingActs'

const CHANNEL = 'humbra-log'
const LOCK = 'humbra-log'
const DEMO_URL = '/demo/lounge.humbra.json'
const START_URL = '/api/start'
const MINUTE_MS = 60_000

/** Reading the property throws where the user forbids storage. */
function storageOrNull(which: 'localStorage' | 'sessionStorage'): Storage | null {
  try {
    return window[which]
  } catch {
    return null
  }
}

/** The one connection to the database, opened anew where it was lost. */
function database() {
  let opening: Promise<Db> | null = null
  let openedBefore = false
  let why: Trouble = 'closed'
  let told: Parameters<SessionDeps['onTrouble']>[0] = () => undefined
  const open = () => {
    opening ??= openHumbraDb({
      onBlocked: () => told('blocked'),
      onMade: () => openedBefore && told('emptied'),
      onClosed: (reason) => {
        opening = null
        why = reason === 'newer' ? 'newer' : 'closed'
        // A newer form is not this page's to open; a lost database is opened anew with the next request.
        if (reason === 'newer') told('newer')
        else told(null)
      },
    }).then((db) => {
      openedBefore = true
      told(null)
      return db
    })
    opening.catch(() => (opening = null))
    return opening
  }
  return { open, why: () => why, onTrouble: (listener: typeof told) => void (told = listener) }
}

/** Runs a task while it holds the lock. Where another tab took that over, what was begun is finished all the same: each write is whole. */
async function exclusive<T>(task: () => Promise<T>): Promise<T> {
  if (!navigator.locks) return task()
  let running: Promise<T> | null = null
  try {
    return await navigator.locks.request(LOCK, () => (running = task()))
  } catch (error) {
    if (running && error instanceof DOMException && error.name === 'AbortError') return running
    throw error
  }
}

function browserDeps(): SessionDeps {
  let workerTold: Parameters<SessionDeps['onWorker']>[0] = () => undefined
  const watch = (which: WorkerName) => ({
    onRestart: () => workerTold(which, 'again'),
    onLost: () => workerTold(which, 'lost'),
    onAnswer: () => workerTold(which, 'answers'),
  })
  const ear = once<Ear>(() => startEar(watch('ear')))
  const guard = startGuard()
  const adviser = once<Adviser>(() => startAdviser(watch('adviser')))
  const { open, why, onTrouble } = database()
  const channel = typeof BroadcastChannel === 'undefined' ? null : new BroadcastChannel(CHANNEL)
  return {
    async openStorage() {
      if (typeof indexedDB === 'undefined') return null
      await open()
      // Asks that the browser does not clear the log when space runs short; a refusal changes nothing here.
      void navigator.storage?.persist?.().catch(() => undefined)
      return {
        log: eventLog(open, guard),
        practice: practiceStore(open, guard),
        settings: settingsStore(open, guard),
        takes: takeStore(open),
        summaries: summaryStore(open),
        drills: drillStore(open, guard),
      }
    },
    closedBecause: why,
    onTrouble,
    journal: browserJournal(storageOrNull('localStorage'), guard),
    failures: browserFailures(storageOrNull('localStorage')),
    sitting: browserSitting(storageOrNull('sessionStorage')),
    ear,
    adviser,
    onWorker: (listener) => void (workerTold = listener),
    microphone: browserMicrophone,
    exclusive,
    takeOver: async () => {
      await navigator.locks?.request(LOCK, { steal: true }, () => undefined)
    },
    announce: () => channel?.postMessage('grown'),
    onAnnounced: (listener) => channel?.addEventListener('message', listener),
    // Not everywhere: Safari has no idle callback.
    whenIdle: (task) => {
      if ('requestIdleCallback' in window) requestIdleCallback(task)
      else setTimeout(task, 200)
    },
    believe: startBeliever(),
    place: () => window.location.pathname,
    readKit: guard.kitFile,
    async loadDemo() {
      try {
        const response = await fetch(DEMO_URL)
        return response.ok ? await response.text() : null
      } catch {
        return null
      }
    },
    async beginsWithDemo() {
      try {
        const { demo } = (await (await fetch(START_URL)).json()) as { demo?: boolean }
        return demo === true
      } catch {
        return false
      }
    },
    nowMs: () => Date.now(),
    // Not randomUUID: a phone on the local network without https does not have it.
    newId: () =>
      Array.from(crypto.getRandomValues(new Uint8Array(12)), (byte) =>
        byte.toString(16).padStart(2, '0'),
      ).join(''),
  }
}

/** The page's one session, started on first use. */
export const browserSession = once(() => {
  const session = new Session(browserDeps())
  // What the disk refused, or did not take yet, lives only here: leaving asks first.
  window.addEventListener('beforeunload', (event) => {
    if (session.get().trouble || session.atRisk) event.preventDefault()
  })
  // What a lost worker leaves open is said by the banner, not by the console.
  window.addEventListener('unhandledrejection', (event) => {
    if (event.reason instanceof WorkerLost) event.preventDefault()
  })
  setInterval(() => session.tick(), MINUTE_MS)
  // A page that goes away as pages do was not stopped by its kit.
  window.addEventListener('pagehide', () => atRest(session.deps.failures))
  session.onEarRestarted = () =>
    void import('./actions/listening').then(({ listenAgain }) => listenAgain(session))
  void keepOffline(session)
  void session.start(bringDemo).then(() => watchAdvice(session))
  return session
})
