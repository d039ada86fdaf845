import { startAdviser, type Adviser } from '@/workers/adviser/client'
import { startEar, type Ear } from '@/workers/ear/client'
import { browserMicrophone } from '@/audio/microphone'
import { eventLog } from '@/storage/eventLog'
import { browserJournal } from '@/storage/journal'
import { practiceStore } from '@/storage/practiceStore'
import { openHumbraDb } from '@/storage/schema'
import { takeStore } from '@/storage/takeStore'
import { settingsStore } from '@/storage/settingsStore'
import { bringDemo } from './actions/files'
import { watchAdvice } from './adviceWatch'
import type { SessionDeps } from './deps'
import { Session } from './session'

const CHANNEL = 'humbra-log'
const LOCK = 'humbra-log'
const DEMO_URL = '/demo/lounge.humbra.json'

/** Reading the property throws where the user forbids storage. */
function localStorageOrNull(): Storage | null {
  try {
    return window.localStorage
  } catch {
    return null
  }
}

function browserDeps(): SessionDeps {
  let ear: Ear | null = null
  let adviser: Adviser | null = null
  const channel = typeof BroadcastChannel === 'undefined' ? null : new BroadcastChannel(CHANNEL)
  return {
    async openStorage() {
      if (typeof indexedDB === 'undefined') return null
      const db = await openHumbraDb()
      // Asks that the browser does not clear the log when space runs short; a refusal changes nothing here.
      void navigator.storage?.persist?.().catch(() => undefined)
      return {
        log: eventLog(db),
        practice: practiceStore(db),
        settings: settingsStore(db),
        takes: takeStore(db),
      }
    },
    journal: browserJournal(localStorageOrNull()),
    ear: () => (ear ??= startEar()),
    adviser: () => (adviser ??= startAdviser()),
    microphone: browserMicrophone,
    exclusive: (task) =>
      navigator.locks ? (navigator.locks.request(LOCK, task) as ReturnType<typeof task>) : task(),
    announce: () => channel?.postMessage('grown'),
    onAnnounced: (listener) => channel?.addEventListener('message', listener),
    async loadDemo() {
      try {
        const response = await fetch(DEMO_URL)
        return response.ok ? await response.text() : null
      } catch {
        return null
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

let session: Session | null = null

/** The page's one session, started on first use. */
export function browserSession(): Session {
  if (!session) {
    session = new Session(browserDeps())
    const started = session
    // What the disk refused lives only here: leaving asks first.
    window.addEventListener('beforeunload', (event) => {
      if (started.get().saveFailed) event.preventDefault()
    })
    void started.start(bringDemo).then(() => watchAdvice(started))
  }
  return session
}
