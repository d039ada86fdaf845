import { DAY_MS } from '@/core/units/time'
import type { HumbraEvent } from '@/core/records/event'
import { KIT_FILE_FORMAT, readKitFile, type KitFile } from '@/core/records/kitFile'
import { SCHEMA_VERSION } from '@/core/records/kit'
import { fromBase64, toBase64 } from '@/files/base64'
import { readChosenKit, saveKit } from '@/files/kitFiles'
import type { Session } from '../session'
import type { WaitingImport } from '../state'

/** The kit on screen as a file, with its whole log and the practice drum's state. */
export async function kitFileOf(session: Session): Promise<KitFile | null> {
  const kit = session.kit()
  if (!kit) return null
  const { practice } = session.get()
  return {
    format: KIT_FILE_FORMAT,
    schema: SCHEMA_VERSION,
    exportedAt: new Date(session.deps.nowMs()).toISOString(),
    kit: kit.id,
    events: await session.wholeLog(kit.id),
    practice: [...practice.values()].filter((state) => state.kit === kit.id),
  }
}

/** Saves the kit as a file, with the sounds of its readings where they were kept. */
export async function exportKit(session: Session): Promise<void> {
  const file = await kitFileOf(session)
  if (!file) return
  const stored = (await session.takes()?.ofKit(file.kit)) ?? []
  const takes = stored.map(({ reading, kit, wav }) => ({ reading, kit, wav: toBase64(wav) }))
  saveKit(takes.length ? { ...file, takes } : file, session.kit()!.name)
}

/** Takes in a chosen file; a kit that is already here waits for a decision. */
export async function importKit(session: Session, chosen: File): Promise<void> {
  const result = await readChosenKit(chosen)
  if (!result.ok)
    return session.notify(result.why, {
      tone: 'caution',
      ...(result.details ? { details: result.details } : {}),
    })
  const { file } = result
  const wrong = await session.deps.adviser().tryLog(file.events, session.deps.nowMs())
  if (wrong !== null)
    return session.notify(
      'The kit file can be read, but what it says of its drums cannot be worked with. Nothing was changed.',
      { tone: 'caution', details: wrong },
    )
  const here = session.get().kits.some(({ id }) => id === file.kit)
  const waiting = {
    name: nameIn(file.events),
    kit: file.kit,
    events: file.events,
    practice: file.practice,
    takes: file.takes ?? [],
  }
  if (here) return session.set({ waitingImport: waiting })
  // A kit that was removed here comes back under an id of its own: its old log still says that it is gone.
  const known = session.get().logs.has(file.kit)
  const coming = known ? renumbered(session, waiting, waiting.name) : waiting
  take(session, coming, { removes: coming.kit })
}

function nameIn(events: readonly HumbraEvent[]): string {
  return events.reduce((name, event) => {
    if (event.kind !== 'kitEdited') return name
    return event.change.what === 'kitMade' || event.change.what === 'kitRenamed' ? event.change.name : name
  }, 'Kit')
}

/** @param undo how it is taken back: a kit that was not here goes as a whole */
function take(session: Session, waiting: WaitingImport, undo?: { removes: string }): void {
  session.appendEvents(waiting.events, { what: `the import of ${waiting.name}`, ...undo })
  session.setPractice(waiting.practice)
  if (waiting.takes.length) {
    void session.keepTakes(waiting.takes.map((take) => ({ ...take, wav: fromBase64(take.wav) })))
  }
  session.setSettings({ kit: waiting.kit, drum: null })
  session.set({ waitingImport: null })
  session.notify(`Imported ${waiting.name}.`, { undo: true })
}

/** The same kit under new ids, so that both can stand side by side. */
function renumbered(session: Session, waiting: WaitingImport, name: string): WaitingImport {
  const kit = session.deps.newId()
  const ids = new Map(waiting.events.map((event) => [event.id, session.deps.newId()]))
  const events = waiting.events.map((event): HumbraEvent => {
    const copy = { ...event, id: ids.get(event.id)!, kit }
    if (copy.kind === 'withdrawn') return { ...copy, event: ids.get(copy.event) ?? copy.event }
    if (copy.kind === 'findingCleared') return { ...copy, noted: ids.get(copy.noted) ?? copy.noted }
    if (copy.kind === 'kitEdited' && copy.change.what === 'kitMade')
      return { ...copy, change: { ...copy.change, name } }
    return copy
  })
  return {
    name,
    kit,
    events,
    practice: waiting.practice.map((state) => ({ ...state, kit })),
    takes: waiting.takes.map((take) => ({ ...take, kit, reading: ids.get(take.reading) ?? take.reading })),
  }
}

/** Decides over a file whose kit is already here. */
export async function decideImport(
  session: Session,
  how: 'merge' | 'both' | 'replace' | 'leave',
): Promise<void> {
  const waiting = session.get().waitingImport
  if (!waiting) return
  session.set({ waitingImport: null })
  if (how === 'leave') return
  if (how === 'merge') return take(session, { ...waiting, events: await session.unknownOf(waiting.events) })
  const copy = renumbered(session, waiting, how === 'both' ? `${waiting.name} (file)` : waiting.name)
  if (how === 'both') return take(session, copy, { removes: copy.kit })
  session.together(`the import of ${waiting.name}`, () => {
    session.append([
      {
        ...{ kind: 'kitEdited', change: { what: 'kitRemoved' }, source: 'hand', algorithm: null },
        kit: waiting.kit,
      },
    ])
    take(session, copy, { removes: copy.kit })
  })
}

/**
 * The demo kit, on a first visit. Its log ends the day before, whenever that is: its times are moved by whole days.
 */
export async function bringDemo(session: Session): Promise<void> {
  const text = await session.deps.loadDemo()
  const result = text === null ? null : readKitFile(text)
  if (!result?.ok) return
  const { file } = result
  const newest = Math.max(...file.events.map((event) => Date.parse(event.at)))
  const shift = Math.floor((session.deps.nowMs() - DAY_MS - newest) / DAY_MS) * DAY_MS
  const moved = (at: string) => new Date(Date.parse(at) + shift).toISOString()
  session.appendEvents(
    file.events.map((event) => movedInTime(event, moved)),
    { never: true },
  )
  session.setPractice(file.practice)
}

function movedInTime(event: HumbraEvent, moved: (at: string) => string): HumbraEvent {
  const copy = { ...event, at: moved(event.at) }
  if (copy.kind !== 'kitEdited' || (copy.change.what !== 'drumAdded' && copy.change.what !== 'drumChanged'))
    return copy
  const day = (date: string | null) => date && moved(`${date}T12:00:00.000Z`).slice(0, 10)
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
