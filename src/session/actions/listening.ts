import type { OpenMicrophone } from '@/audio/microphone'
import type { Session } from '../session'
import type { Hearing } from '../state'
import { currentView, expectation, takeTap } from './readings'

/** The level is shown this often at most: a meter that flickers at every block costs more than it tells. */
const LEVEL_EVERY_MS = 80

let open: OpenMicrophone | null = null
/** Blocks are measured in order: each waits for the one before. */
let queue: Promise<void> = Promise.resolve()
let levelShownAt = 0

function hearing(session: Session, change: Partial<Hearing>): void {
  session.set({ hearing: { ...session.get().hearing, ...change } })
}

/** Opens the microphone; called from a click or key only. */
export async function startListening(session: Session): Promise<void> {
  if (session.get().hearing.state !== 'off') return
  hearing(session, { state: 'asking', trouble: null })
  const result = await session.deps.microphone.open({
    onBlock: (block) => {
      queue = queue.then(() => takeBlock(session, block))
    },
    onLost: () => {
      stopListening(session)
      hearing(session, { trouble: 'lost' })
    },
  })
  if (!result.ok) return hearing(session, { state: 'off', trouble: result.why })
  open = result.microphone
  const view = currentView(session)
  await session.deps.ear().listen(open.rateHz, view ? expectation(view) : {})
  hearing(session, { state: 'on', level: 0 })
}

export function stopListening(session: Session): void {
  open?.close()
  open = null
  hearing(session, { state: 'off', level: 0, ringing: false })
}

async function takeBlock(session: Session, block: Float32Array): Promise<void> {
  if (!open) return
  const heard = await session.deps.ear().push(block)
  if (!heard) return
  const now = session.deps.nowMs()
  const ringingChanged = heard.ringing !== session.get().hearing.ringing
  if (ringingChanged || now - levelShownAt > LEVEL_EVERY_MS) {
    levelShownAt = now
    hearing(session, { level: heard.level, ringing: heard.ringing })
  }
  for (const tap of heard.taps) {
    const view = currentView(session)
    if (!view) return
    // A tap counts only while a lug is asked for: what is struck between the turns is shown and forgotten.
    if (view.phase === 'read') takeTap(session, view, tap, view.lug, 'microphone')
    else session.set({ bench: { ...session.get().bench, lastTap: { tap, lug: view.lug, used: false } } })
    const next = currentView(session)
    if (next) await session.deps.ear().aimAt(expectation(next))
  }
}
