import type { Believed, Past } from '@/core/status/ahead'
import type { Adviser } from '@/workers/adviser/client'
import type { Ear } from '@/workers/ear/client'
import type { DrillStore } from '@/storage/drillStore'
import type { Guard } from '@/storage/guard'
import type { EventLog } from '@/storage/eventLog'
import type { Journal } from '@/storage/journal'
import type { PracticeStore } from '@/storage/practiceStore'
import type { SettingsStore } from '@/storage/settingsStore'
import type { SummaryStore } from '@/storage/summaryStore'
import type { FailureStore } from './failures'
import type { Trouble } from './keeper'
import type { Acts } from './undo'
import type { TakeStore } from '@/storage/takeStore'
import type { Microphone } from '@/audio/microphone'

export interface Stores {
  log: EventLog
  practice: PracticeStore
  settings: SettingsStore
  takes: TakeStore
  summaries: SummaryStore
  drills: DrillStore
}

export type WorkerName = 'ear' | 'adviser'

/** All that the session needs of the outside; the tests hand it stand-ins. */
export interface SessionDeps {
  openStorage(): Promise<Stores | null>
  /** Why the database is closed for good, after a second try. */
  closedBecause(): Trouble
  /** Calls back when the database is blocked by another tab, closed, or lost and made anew; with null when it is open again. */
  onTrouble(listener: (trouble: Trouble | 'blocked' | 'emptied' | null) => void): void
  journal: Journal
  /** Kits that made the app fail. */
  failures: FailureStore
  /** What was done in this sitting, through reloads of this tab. */
  sitting: { read(): Acts; write(acts: Acts): void }
  /** Runs a task when nothing else is to be done. */
  whenIdle(task: () => void): void
  /** Where heads were left, worked out beside the page; null where that cannot be had. */
  believe(pasts: readonly Past[]): Promise<Believed[] | null>
  /** Path of the place that is open. */
  place(): string
  ear(): Pick<
    Ear,
    | ('measure' | 'practiceTap' | 'practiceHand' | 'practiceAnswers')
    | 'listen'
    | 'aimAt'
    | 'push'
    | 'deafen'
    | 'look'
    | 'drillTrial'
  >
  adviser(): Adviser
  /** Calls back when a worker was started anew, is lost, or answers (again). */
  onWorker(listener: (which: WorkerName, what: 'again' | 'lost' | 'answers') => void): void
  microphone: Microphone
  /** Runs a task while no other tab writes. */
  exclusive<T>(task: () => Promise<T>): Promise<T>
  /** Takes the lock from whoever holds it: a tab that hangs. */
  takeOver(): Promise<void>
  /** Tells the other tabs that the log or the practice drum grew; calls back when another one does. */
  announce(): void
  onAnnounced(listener: () => void): void
  /** Reads a kit file's text. */
  readKit: Guard['kitFile']
  loadDemo(): Promise<string | null>
  /** An empty device begins with the demo kit; else with the welcome. */
  beginsWithDemo(): Promise<boolean>
  nowMs(): number
  newId(): string
}
