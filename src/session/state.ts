import type { StepId } from '@/core/status/steps'
import type { EvenRequest } from '@/core/evening/types'
import type { KitState } from '@/core/log/fold'
import type { KitLog } from '@/core/log/kitLog'
import { DEFAULT_SETTINGS } from '@/core/records/plain'
import type { Settings } from '@/core/records/settings'
import type { Tap } from '@/core/measurement/types'
import type { Practised } from '@/core/records/drill'
import type { HumbraEvent } from '@/core/records/event'
import type { PracticeState } from '@/core/records/practice'
import type { TakeRecord } from '@/core/records/take'
import type { Advice } from '@/workers/protocol'
import type { WorkerName } from './deps'
import type { FailedKit } from './failures'
import type { SetAside, Trouble } from './keeper'
import { NO_ACTS, type Acts } from './undo'

/** The whole mutable state of the app, replaced as one on every change. */
export interface SessionState {
  /** `starting` until the log is read; `no-storage` where the browser keeps nothing. */
  phase: 'starting' | 'ready' | 'no-storage'
  /** Another tab holds the log and does not let it go: nothing was read yet, or nothing is kept. */
  held: 'unread' | 'unkept' | null
  /** Of every kit that was ever here, those removed too. */
  logs: ReadonlyMap<string, KitLog>
  /** The kits that are there, as their logs say. */
  kits: readonly KitState[]
  /** What was done on this device in this sitting, for Undo. */
  acts: Acts
  settings: Settings
  /** The step of the drum's job that is on the Bench. */
  step: StepId
  /** Where readings come from now; `ask` where the owner of a drum has not said. */
  source: Settings['source'] | 'ask'
  /** Kit of one's own whose owner wants the practice drum for this sitting; never kept. */
  practiceKit: string | null
  practice: ReadonlyMap<string, PracticeState>
  /** Events that are shown and not in the database yet, how many acts that is, and what keeps them from it. */
  onTheWay: ReadonlySet<string>
  unsaved: number
  trouble: Trouble | 'blocked' | null
  /** Acts that the database refuses for good. */
  aside: readonly SetAside[]
  unreadable: number
  /** Kits that made the app fail and are left out. */
  failed: readonly FailedKit[]
  /** A newer version of the app is on the device and waits to be taken. */
  newVersion: boolean
  /** Workers that did not come back. */
  lostWorkers: ReadonlySet<WorkerName>
  bench: BenchUi
  /** Newest advice and the request it answers. */
  advice: { request: EvenRequest; answer: Advice } | null
  hearing: Hearing
  notice: Notice | null
  /** A file that holds a kit which is already here waits for a decision. */
  waitingImport: WaitingImport | null
  /** A table that came in, to be looked at before anything is made of it. */
  waitingTable: string | null
  /** What was done in Practice; null until it was read. */
  drills: readonly Practised[] | null
  clockMs: number
}

export interface BenchUi {
  /** Lug chosen by hand, from 1; null to follow the order. */
  lug: number | null
  /** The user wants the next move although not every lug was read. */
  movedOn: boolean
  /** Behind a turn of one's own: what is left to the aim is wanted. */
  toAim: boolean
  /** The newest tap that was heard, used or refused, and the lug it was for. */
  lastTap: HeardTap | null
  /** What was heard lately, newest last, with its sound. */
  heard: readonly HeardTap[]
  /** The newest taps of this head that were taken, through turns: by them another drum is told from it. */
  ofHead: readonly Tap[]
  /** Pitches that the taps of this head may mean, where they do not tell which; empty where they do. */
  toneAsked: readonly number[]
  /** Lug whose tap may have been missed; null for none. */
  missed: number | null
  /** First lug of the round on which a tap was refused: behind it the readings may lie one lug off; null for none. */
  refusedAt: number | null
  /** Id of the tap that is looked at closely; null when none is. */
  looking: number | null
  /** Chosen by the user: taps are read near this pitch; null to trust the ear's own judgement. */
  stayNearHz: number | null
  busy: 'tap' | 'file' | null
  /** What the next stroke is meant for: the lug in focus, or the centre with both heads free. */
  strike: 'lug' | 'centre' | 'compare'
  /** The last two pitches of a quick comparison, outside any pass; nothing of it is kept. */
  twoTaps: readonly number[]
  /** Why the last stroke on the centre could not be read; null when it was. */
  centreWhy: string | null
  /** Where the drum hangs for the strokes to come: null for held by the rim; undefined while nobody said. */
  hung: string | null | undefined
}

export type MicrophoneTrouble =
  'refused' | 'missing' | 'insecure' | 'busy' | 'lost' | 'silent' | 'unsupported'

export interface Hearing {
  /** `paused`: the browser holds the sound back (a call, a locked screen, a tab behind). */
  state: 'off' | 'asking' | 'on' | 'paused'
  trouble: MicrophoneTrouble | null
  level: number
  /** rms between taps, full scale 1. */
  noise: number
  ringing: boolean
  /** Peaks of the newest taps. */
  peaks: readonly number[]
  /** Rate as the device delivers it; 0 while closed. */
  rateHz: number
  inputs: readonly InputDevice[]
}

export interface InputDevice {
  id: string
  name: string
}

/** One tap as it was heard. */
export interface HeardTap {
  id: number
  tap: Tap
  lug: number
  used: boolean
  /** The event of its reading while that counts. */
  event: string | null
  /** In words, where it was not used: what was wrong and what to do. */
  why: string | null
  /** Another drum, or no drum at all: none of this head's taps. */
  other?: true
  /** It reads far from the head's other lugs: shown, and not used yet. */
  jumped?: true
  sound: { samples: Float32Array; rateHz: number; strokeSeconds: number } | null
}

export interface Notice {
  id: number
  text: string
  tone: 'plain' | 'caution'
  undo: boolean
  /** For those who look closer: where in a file something was wrong. */
  details?: string
  /** The next notice of this kind takes its place: of a key, of work that goes on. */
  by?: 'key' | 'work'
  /** Ends the work that it tells of. */
  stop?: () => void
}

export interface WaitingImport {
  name: string
  kit: string
  events: HumbraEvent[]
  practice: PracticeState[]
  takes: TakeRecord[]
}

export const NO_BENCH: BenchUi = {
  lug: null,
  movedOn: false,
  toAim: false,
  lastTap: null,
  heard: [],
  ofHead: [],
  toneAsked: [],
  missed: null,
  refusedAt: null,
  looking: null,
  stayNearHz: null,
  busy: null,
  strike: 'lug',
  twoTaps: [],
  centreWhy: null,
  hung: undefined,
}
const SILENCE: Hearing = {
  state: 'off',
  trouble: null,
  level: 0,
  noise: 0,
  ringing: false,
  peaks: [],
  rateHz: 0,
  inputs: [],
}

export const INITIAL_STATE: SessionState = {
  phase: 'starting',
  held: null,
  logs: new Map(),
  kits: [],
  acts: NO_ACTS,
  settings: DEFAULT_SETTINGS,
  step: 'even',
  source: DEFAULT_SETTINGS.source,
  practiceKit: null,
  practice: new Map(),
  onTheWay: new Set(),
  unsaved: 0,
  trouble: null,
  aside: [],
  unreadable: 0,
  failed: [],
  newVersion: false,
  lostWorkers: new Set(),
  bench: NO_BENCH,
  advice: null,
  hearing: SILENCE,
  notice: null,
  waitingImport: null,
  waitingTable: null,
  drills: null,
  clockMs: 0,
}

/** The kit on screen: the chosen one, else the first that is not put away. */
export function kitOf({ kits, settings }: Pick<SessionState, 'kits' | 'settings'>): KitState | null {
  return (
    kits.find(({ id }) => id === settings.kit) ?? kits.find(({ archived }) => !archived) ?? kits[0] ?? null
  )
}
