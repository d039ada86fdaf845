import type { OpenMicrophone } from '@/audio/microphone'
import { confirmWithTick, confirmWithWord } from '@/audio/confirm'
import type { Session } from '../session'
import type { Hearing } from '../state'
import { takeCentre } from './centre'
import { goToNext } from './run'
import { compareTap } from './twoTaps'
import { checkTap, currentView, expectation, takeTap } from './readings'
import { turned } from './turning'

/** The level is shown this often at most: a meter that flickers at every block costs more than it tells. */
const LEVEL_EVERY_MS = 80
/** So many taps say how the input's gain stands. */
const PEAKS_KEPT = 5
/** The ear is deaf while the confirmation sounds, and for as long as the sound may be under way. */
const TICK_DEAF_SECONDS = 0.45
const WORD_DEAF_SECONDS = 3
const AFTER_WORD_SECONDS = 0.3

/** Two taps this far apart tick the open move off; closer ones are a stick that bounced, others are two checks. */
const DOUBLE_SECONDS = { least: 0.2, most: 0.6 }
/** While lugs are read nobody gets to the next one sooner than this: what follows sooner is the same lug, or no tap. */
const NEXT_LUG_SECONDS = 0.45

let open: OpenMicrophone | null = null
/** Blocks are measured in order: each waits for the one before. */
let queue: Promise<void> = Promise.resolve()
/** So many samples have come in and wait for those before them to be measured. */
let waitingSamples = 0
let levelShownAt = 0
/** The last stroke was the first of two that meant something: the second is no tap of its own. */
let awaitingSecond = false
/** The stroke before was taken as a reading. */
let takenBefore = false

/** Resolves when all that came in was measured. */
export const allHeard = (): Promise<void> => queue

function hearing(session: Session, change: Partial<Hearing>): void {
  session.set({ hearing: { ...session.get().hearing, ...change } })
}

/** Opens the microphone; called from a click or key only. */
export async function startListening(session: Session): Promise<void> {
  if (session.get().hearing.state !== 'off') return
  hearing(session, { state: 'asking', trouble: null })
  const result = await session.deps.microphone.open(session.get().settings.input, {
    onBlock: (block) => {
      waitingSamples += block.length
      queue = queue.then(() => takeBlock(session, block))
    },
    onLost: () => {
      stopListening(session)
      hearing(session, { trouble: 'lost' })
    },
    onPause: (paused) => void pause(session, paused),
  })
  if (!result.ok) return hearing(session, { state: 'off', trouble: result.why })
  open = result.microphone
  await listenAnew(session)
  hearing(session, {
    state: 'on',
    level: 0,
    peaks: [],
    rateHz: open.rateHz,
    inputs: await session.deps.microphone.inputs(),
  })
}

async function listenAnew(session: Session): Promise<void> {
  awaitingSecond = takenBefore = false
  const view = currentView(session)
  if (open) await session.deps.ear().listen(open.rateHz, view ? expectation(view, session) : {})
}

/** What was ringing when the browser held the sound back cannot be measured: listening starts anew afterwards. */
async function pause(session: Session, paused: boolean): Promise<void> {
  if (!open) return
  if (!paused) await listenAnew(session)
  if (open) hearing(session, { state: paused ? 'paused' : 'on', level: 0, ringing: false })
}

export function stopListening(session: Session): void {
  open?.close()
  open = null
  hearing(session, { state: 'off', level: 0, ringing: false, rateHz: 0 })
}

/** Another input is taken at once when the microphone is open. */
export async function chooseInput(session: Session, input: string | null): Promise<void> {
  session.setSettings({ input })
  if (session.get().hearing.state === 'off') return
  stopListening(session)
  await startListening(session)
}

async function takeBlock(session: Session, block: Float32Array): Promise<void> {
  waitingSamples -= block.length
  if (!open) return
  const { rateHz } = open
  const heard = await session.deps.ear().push(block)
  if (!heard) return
  const now = session.deps.nowMs()
  const ringingChanged = heard.ringing !== session.get().hearing.ringing
  if (ringingChanged || now - levelShownAt > LEVEL_EVERY_MS) {
    levelShownAt = now
    hearing(session, { level: heard.level, noise: heard.noise, ringing: heard.ringing })
  }
  for (const { tap, samples, strokeSeconds, againSeconds, afterSeconds } of heard.taps) {
    const view = currentView(session)
    if (!view) return
    const second = awaitingSecond && afterSeconds !== null && afterSeconds <= DOUBLE_SECONDS.most
    awaitingSecond = false
    if (second) continue
    notePeak(session, samples)
    const sound = { samples, rateHz, strokeSeconds }
    const double =
      againSeconds !== null && againSeconds >= DOUBLE_SECONDS.least && againSeconds <= DOUBLE_SECONDS.most
    const lug = view.lug
    if (session.get().bench.strike === 'compare') {
      if (!double && compareTap(session, tap)) await confirm(session, lug)
    } else if (session.get().bench.strike === 'centre') {
      if (takeCentre(session, view, tap, 'microphone', sound)) await confirm(session, lug)
    } else if (view.phase === 'read') {
      if (takenBefore && afterSeconds !== null && afterSeconds < NEXT_LUG_SECONDS) continue
      takenBefore = takeTap(session, view, tap, lug, 'microphone', sound)
      if (takenBefore) await confirm(session, lug)
    } else if (view.phase === 'turn' && double) {
      awaitingSecond = true
      turned(session)
      await confirm(session, lug)
    } else if (view.phase === 'done' && double) {
      // Hands free through a run: two taps on the drum that is done ask for the next.
      awaitingSecond = true
      if (goToNext(session)) await confirm(session, lug)
    } else if (view.phase === 'turn') {
      checkTap(session, tap, lug, sound)
    }
    await aimEar(session)
  }
}

/** The ear expects what the bench asks for now. */
export async function aimEar(session: Session): Promise<void> {
  const view = currentView(session)
  if (view) await session.deps.ear().aimAt(expectation(view, session))
}

function notePeak(session: Session, samples: Float32Array): void {
  const peak = samples.reduce((top, x) => Math.max(top, Math.abs(x)), 0)
  hearing(session, { peaks: [...session.get().hearing.peaks, peak].slice(-PEAKS_KEPT) })
}

/** A tick or the next lug's number, if wanted; what the device plays itself is never heard as a tap. */
async function confirm(session: Session, lug: number): Promise<void> {
  const { confirm: how } = session.get().settings
  if (how === 'none') return
  if (how === 'tick') {
    await deafen(session, TICK_DEAF_SECONDS)
    return confirmWithTick()
  }
  await deafen(session, WORD_DEAF_SECONDS)
  const next = currentView(session)
  await confirmWithWord(next?.phase === 'read' ? `${lug}. Next ${next.lug}` : `${lug}. All read`)
  await deafen(session, AFTER_WORD_SECONDS)
}

/** The ear hears nothing that is struck from now on for so long, however far behind the measuring is. */
export async function deafen(session: Session, seconds: number): Promise<void> {
  await session.deps.ear().deafen(seconds, waitingSamples)
}
