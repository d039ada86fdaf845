import type { Adviser } from '@/workers/adviser/client'
import type { Ear } from '@/workers/ear/client'
import type { EventLog } from '@/storage/eventLog'
import type { PracticeStore } from '@/storage/practiceStore'
import type { SettingsStore } from '@/storage/settingsStore'
import type { Microphone } from '@/audio/microphone'

/** All that the session needs of the outside; the tests hand it stand-ins. */
export interface SessionDeps {
  openStorage(): Promise<{ log: EventLog; practice: PracticeStore; settings: SettingsStore } | null>
  ear(): Pick<Ear, 'measure' | 'practiceTap' | 'listen' | 'aimAt' | 'push'>
  adviser(): Pick<Adviser, 'advise'>
  microphone: Microphone
  /** Runs a task while no other tab writes. */
  exclusive<T>(task: () => Promise<T>): Promise<T>
  /** Tells the other tabs that the log or the practice drum grew; calls back when another one does. */
  announce(): void
  onAnnounced(listener: () => void): void
  loadDemo(): Promise<string | null>
  nowMs(): number
  newId(): string
}
