import { confirmRefused, confirmWithTick, confirmWithWord } from '@/audio/confirm'
import type { Session } from '../session'
import type { Hearing } from '../state'
import { agreeOnTone } from './headTone'
import { expectation } from './readings'
import { currentView } from '../currentView'
import { seeBench, takeStroke, type Answer } from './strokes'
import { freshHands } from '../hands'

/** The level is shown this often at most: a meter that flickers at every block costs more than it tells. */
const LEVEL_EVERY_MS = 80
/** So many taps say how the input's gain stands. */
const PEAKS_KEPT = 5
/** The ear is deaf while the confirmation sounds, and for as long as the sound may be under way. */
const TICK_DEAF_SECONDS = 0.45
const REFUSED_DEAF_SECONDS = 0.6
const WORD_DEAF_SECONDS = 6
const AFTER_WORD_SECONDS = 0.3

/** A line that brings nothing at all for so long is dead: no room is that quiet. */
const SILENT_SECONDS = 0.9

/** Resolves when all that came in was measured. */
export const allHeard = (session: Session): Promise<void> => session.line.queue

function hearing(session: Session, change: Partial<Hearing>): void {
  session.set({ hearing: { ...session.get().hearing, ...change } })
}

/** Opens the microphone; called from a click or key only. */
export async function startListening(session: Session): Promise<void> {
  if (session.get().hearing.state !== 'off') return
  const { line } = session
  hearing(session, { state: 'asking', trouble: null })
  const result = await session.deps.microphone.open(session.get().settings.input, {
    onBlock: (block) => {
      line.waitingSamples += block.length
      watchForSilence(session, block)
      line.queue = line.queue.then(() => takeBlock(session, block))
    },
    onLost: () => {
      stopListening(session)
      hearing(session, { trouble: 'lost' })
    },
    onPause: (paused) => void pause(session, paused),
  })
  if (!result.ok) return hearing(session, { state: 'off', trouble: result.why })
  line.open = result.microphone
  await listenAnew(session)
  hearing(session, {
    state: 'on',
    level: 0,
    peaks: [],
    rateHz: result.microphone.rateHz,
    inputs: await session.deps.microphone.inputs(),
  })
}

async function listenAnew(session: Session): Promise<void> {
  const { line } = session
  line.hands = freshHands()
  line.cameIn = { samples: 0, silent: 0 }
  const view = currentView(session)
  if (line.open) await session.deps.ear().listen(line.open.rateHz, view ? expectation(view, session) : {})
}

/** A new ear has heard nothing yet: it begins where the Bench is. */
export async function listenAgain(session: Session): Promise<void> {
  if (session.line.open) await listenAnew(session)
}

/** What was ringing when the browser held the sound back cannot be measured: listening starts anew afterwards. */
async function pause(session: Session, paused: boolean): Promise<void> {
  if (!session.line.open) return
  if (!paused) {
    await listenAnew(session)
    const view = currentView(session)
    if (view?.phase === 'read')
      session.notify(`Listening again. What rang meanwhile was lost: tap lug ${view.lug}.`)
  }
  if (session.line.open) hearing(session, { state: paused ? 'paused' : 'on', level: 0, ringing: false })
}

export function stopListening(session: Session): void {
  session.line.open?.close()
  session.line.open = null
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
  const { line } = session
  line.waitingSamples -= block.length
  if (!line.open) return
  const { rateHz } = line.open
  const heard = await session.deps.ear().push(block)
  if (!heard) return
  const now = session.deps.nowMs()
  const ringingChanged = heard.ringing !== session.get().hearing.ringing
  if (ringingChanged || now - line.levelShownAt > LEVEL_EVERY_MS) {
    line.levelShownAt = now
    hearing(session, { level: heard.level, noise: heard.noise, ringing: heard.ringing })
  }
  line.cameIn.samples += block.length
  const before = currentView(session)
  if (before) seeBench(line.hands, before, line.cameIn.samples / rateHz)
  for (const stroke of heard.taps) {
    const view = currentView(session)
    if (!view) return
    // What was refused as overdriven is the very tap that says the input is too loud.
    if (stroke.tap.hz !== null || stroke.tap.verdict === 'clipped') notePeak(session, stroke.samples)
    const answer = takeStroke(session, line.hands, stroke, rateHz)
    await agreeOnTone(session)
    if (answer) await confirm(session, view.lug, answer)
    await aimEar(session)
  }
}

/** A device that is open and sends nothing is noticed, and so is its coming back. */
function watchForSilence(session: Session, block: Float32Array): void {
  const { open, cameIn } = session.line
  if (!open) return
  cameIn.silent = block.every((x) => x === 0) ? cameIn.silent + block.length : 0
  const silent = cameIn.silent > SILENT_SECONDS * open.rateHz
  const { trouble } = session.get().hearing
  if (silent && trouble === null) hearing(session, { trouble: 'silent', level: 0 })
  if (!silent && trouble === 'silent' && cameIn.silent === 0) hearing(session, { trouble: null })
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

/**
 * A tick or the next lug's number for what was taken, two low tones for what was not, if wanted; what the device plays itself is
 * never heard as a tap.
 */
async function confirm(session: Session, lug: number, answer: Answer): Promise<void> {
  const { confirm: how } = session.get().settings
  if (how === 'none') return
  if (answer === 'refused') {
    await deafen(session, REFUSED_DEAF_SECONDS, true)
    return confirmRefused()
  }
  if (how === 'tick' || answer === 'ticked') {
    await deafen(session, TICK_DEAF_SECONDS, true)
    return confirmWithTick()
  }
  await deafen(session, WORD_DEAF_SECONDS)
  // Whole sentences are for who wants them spoken: no other place loads them.
  const { announcedOf } = await import('../announced')
  const { reading, asked } = announcedOf(session.get())
  await confirmWithWord([reading || `lug ${lug}`, asked].filter(Boolean).join('; '))
  await deafen(session, AFTER_WORD_SECONDS)
}

/** The ear hears nothing that is struck from now on for so long, however far behind the measuring is. */
export async function deafen(session: Session, seconds: number, above = false): Promise<void> {
  await session.deps.ear().deafen(seconds, session.line.waitingSamples, above)
}
