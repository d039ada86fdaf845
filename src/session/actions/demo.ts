import { newKitLog, withEvents } from '@/core/log/kitLog'
import type { HumbraEvent } from '@/core/records/event'
import { DAY_MS } from '@/core/units/time'
import { believeFirst } from '../believe'
import type { Session } from '../session'
import { demoKit, ownKit } from '../whichKit'
import { chooseKit, restoreKit } from './kits'
import { kitEdit } from './edits'

/** As demo/scenario.ts names it. */
const DEMO_KIT = 'demo-lounge'

/** Opens the demo kit, as it was left; brings it in where it is not here. */
export async function openDemo(session: Session): Promise<void> {
  const here = demoKit(session.get())
  if (here) return chooseKit(session, here.id)
  const known = session.get().logs.has(DEMO_KIT)
  if (known ? await restoreKit(session, DEMO_KIT) : await bringDemo(session))
    return chooseKit(session, DEMO_KIT)
  session.notify(
    'The demo could not be loaded: it comes from where Humbra is served. Try again with a connection.',
    {
      tone: 'caution',
    },
  )
}

/** Puts the demo away: one's own kit is on screen, or the welcome. */
export function leaveDemo(session: Session): void {
  const demo = demoKit(session.get())
  if (!demo) return
  const own = ownKit(session.get())
  session.together('putting the demo away', () => {
    session.append([kitEdit({ what: 'kitRemoved' })], demo.id)
    session.setSettings({ kit: own?.id ?? null, drum: null })
  })
  session.notify('The demo is put away.', { undo: true })
}

/**
 * The demo kit, on a first visit. Its log ends the day before, whenever that is: its times are moved by whole days.
 * @returns whether it is here now
 */
export async function bringDemo(session: Session): Promise<boolean> {
  const text = await session.deps.loadDemo()
  const result = text === null ? null : await session.deps.readKit(text)
  if (!result?.ok) return false
  const { file } = result
  const newest = Math.max(...file.events.map((event) => Date.parse(event.at)))
  const shift = Math.floor((session.deps.nowMs() - DAY_MS - newest) / DAY_MS) * DAY_MS
  const moved = (at: string) => new Date(Date.parse(at) + shift).toISOString()
  const events = file.events.map((event) => movedInTime(event, moved))
  const log = withEvents(newKitLog(DEMO_KIT), events)
  const rest = await believeFirst(session.deps, log?.kit ? [log.kit] : [], session.get().settings)
  session.appendEvents(events, { never: true })
  session.deps.whenIdle(() => void rest())
  session.setPractice(file.practice)
  return true
}

function movedInTime(event: HumbraEvent, moved: (at: string) => string): HumbraEvent {
  const copy = { ...event, at: moved(event.at) }
  const day = (date: string | null) => date && moved(`${date}T12:00:00.000Z`).slice(0, 10)
  const time = (at: string | null) => at && moved(at)
  switch (copy.kind) {
    case 'occasionNoted':
      return { ...copy, on: moved(copy.on), loadInAt: time(copy.loadInAt), doorsAt: time(copy.doorsAt) }
    case 'dayNoted':
      return { ...copy, on: moved(copy.on) }
    case 'weatherNoted':
      return { ...copy, samples: copy.samples.map((sample) => ({ ...sample, at: moved(sample.at) })) }
    case 'headFitted':
    case 'filmNoted':
      return { ...copy, head: { ...copy.head, fittedOn: day(copy.head.fittedOn) } }
    case 'kitEdited': {
      if (copy.change.what !== 'drumAdded' && copy.change.what !== 'drumChanged') return copy
      const { drum } = copy.change
      const change = {
        ...copy.change,
        drum: {
          ...drum,
          batter: { ...drum.batter, fittedOn: day(drum.batter.fittedOn) },
          resonant: { ...drum.resonant, fittedOn: day(drum.resonant.fittedOn) },
        },
      }
      return { ...copy, change }
    }
    default:
      return copy
  }
}
