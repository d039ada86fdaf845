import type { EvenRequest } from '@/core/evening/types'
import type { KitState } from '@/core/keeping/log'
import type { Settings } from '@/core/keeping/settings'
import type { Tap } from '@/core/measurement/types'
import type { HumbraEvent } from '@/core/records/event'
import type { PracticeState } from '@/core/records/practice'
import type { Advice } from '@/workers/protocol'

/** The whole mutable state of the app, replaced as one on every change. */
export interface SessionState {
  /** `starting` until the log is read; `no-storage` where the browser keeps nothing. */
  phase: 'starting' | 'ready' | 'no-storage'
  log: readonly HumbraEvent[]
  /** Derived from the log. */
  kits: readonly KitState[]
  settings: Settings
  practice: ReadonlyMap<string, PracticeState>
  /** Events that are not on disk yet, and whether the last attempt failed. */
  unsaved: number
  saveFailed: boolean
  unreadable: number
  bench: BenchUi
  /** Newest advice and the request it answers. */
  advice: { request: EvenRequest; answer: Advice } | null
  hearing: Hearing
  notice: Notice | null
  /** A file that holds a kit which is already here waits for a decision. */
  waitingImport: WaitingImport | null
  clockMs: number
}

export interface BenchUi {
  /** Lug chosen by hand, from 1; null to follow the order. */
  lug: number | null
  /** The user wants the next move although not every lug was read. */
  movedOn: boolean
  /** The newest tap that was heard, used or refused, and the lug it was for. */
  lastTap: { tap: Tap; lug: number; used: boolean } | null
  busy: 'tap' | 'file' | null
}

export type MicrophoneTrouble = 'refused' | 'missing' | 'insecure' | 'busy' | 'lost' | 'unsupported'

export interface Hearing {
  state: 'off' | 'asking' | 'on'
  trouble: MicrophoneTrouble | null
  level: number
  ringing: boolean
}

export interface Notice {
  id: number
  text: string
  tone: 'plain' | 'caution'
  undo: boolean
}

export interface WaitingImport {
  name: string
  kit: string
  events: HumbraEvent[]
  practice: PracticeState[]
}
