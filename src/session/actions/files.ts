import { nameIn } from '@/core/log/order'
import type { HumbraEvent } from '@/core/records/event'
import type { KitFile, KitFileResult } from '@/core/records/kitFile'
import { SCHEMA_VERSION, writeKitFile } from '@/core/records/plain'
import { fromBase64, toBase64 } from '@/files/base64'
import { fileName, saveBlob } from '@/files/save'
import { shareFile } from '@/files/share'
import type { FailedKit } from '../failures'
import { filed } from '../filed'
import type { Session } from '../session'
import type { WaitingImport } from '../state'

/** A kit as a file, with its whole log, the practice drum's state, and the sounds of its readings where they were kept. */
export async function kitFileWithTakes(session: Session, kit: string): Promise<KitFile> {
  const stored = (await session.takes()?.ofKit(kit)) ?? []
  const takes = stored.map(({ reading, kit, wav }) => ({ reading, kit, wav: toBase64(wav) }))
  return {
    format: 'humbra-kit',
    schema: SCHEMA_VERSION,
    exportedAt: new Date(session.deps.nowMs()).toISOString(),
    kit,
    events: await session.wholeLog(kit),
    practice: [...session.get().practice.values()].filter((state) => state.kit === kit),
    ...(takes.length ? { takes } : {}),
  }
}

/** Saves the kit on screen as a file. */
export async function exportKit(session: Session): Promise<void> {
  const kit = session.kit()
  if (!kit) return
  saveKit(await kitFileWithTakes(session, kit.id), kit.name)
  filed(session, [kit.id])
}

/** Saves a kit that is left out as a file, from its log alone. */
export async function exportFailed(session: Session, { kit, name }: FailedKit): Promise<void> {
  saveKit(await kitFileWithTakes(session, kit), name)
}

/** Hands the kit on screen to the device's own sharing, or saves it where there is none. */
export async function shareKit(session: Session): Promise<void> {
  const kit = session.kit()
  if (!kit) return
  const file = await kitFileWithTakes(session, kit.id)
  // Devices share JSON under the name of a text.
  const blob = kitBlob(file, 'text/plain')
  const done = await shareFile(blob, fileName(kit.name, 'humbra.json.txt'), kit.name)
  if (done === 'saved') session.notify('This device shares no files: the kit was saved instead.')
}

/** Takes in events, practice states and sounds of a kit file, wherever they are not here yet. */
export function takeKit(session: Session, file: KitFile, unknown: readonly HumbraEvent[]): void {
  session.appendEvents(unknown, { never: true })
  session.setPractice(file.practice)
  if (file.takes?.length)
    void session.keepTakes(file.takes.map((take) => ({ ...take, wav: fromBase64(take.wav) })))
}

/** Takes in a chosen file; a kit that is already here waits for a decision. */
export async function importKit(session: Session, chosen: File): Promise<void> {
  const result = await readChosenKit(chosen, session.deps.readKit)
  if (!result.ok)
    return session.notify(result.why, {
      tone: 'caution',
      ...(result.details ? { details: result.details } : {}),
    })
  return takeKitFile(session, result.file)
}

/** What takes longer is said, and where it is every so often. */
const SLOW_MS = 500
const SAID_AGAIN_MS = 3000

/**
 * Does with logs what the app would do with them, before anything of them is taken. Long work says where it is and can be stopped.
 * @param cannot is said where something of them cannot be done; @returns whether all can
 */
export async function workThrough(
  session: Session,
  files: readonly KitFile[],
  cannot: string,
): Promise<boolean> {
  let stop = () => undefined as void
  const stopped = new Promise<'stopped'>((resolve) => (stop = () => resolve('stopped')))
  const { nowMs, adviser } = session.deps
  let at = 0
  const say = () => {
    const where = files.length > 1 ? `, ${at + 1} of ${files.length}` : ''
    session.notify(`Looking through ${nameIn(files[at].events)}${where}…`, { by: 'work', stop })
    saying = setTimeout(say, SAID_AGAIN_MS)
  }
  let saying = setTimeout(say, SLOW_MS)
  const answer = async (events: readonly HumbraEvent[]) => ({
    wrong: await adviser().tryLog(events, nowMs()),
  })
  try {
    for (; at < files.length; at++) {
      const found = await Promise.race([stopped, answer(files[at].events)])
      if (found === 'stopped') session.notify('Stopped. Nothing was changed.')
      else if (found.wrong !== null)
        session.notify(`${cannot} Nothing was changed.`, { tone: 'caution', details: found.wrong })
      else continue
      return false
    }
    return true
  } finally {
    clearTimeout(saying)
    if (session.get().notice?.by === 'work') session.set({ notice: null })
  }
}

/** Takes in a kit that was read; one that is already here waits for a decision. */
export async function takeKitFile(session: Session, file: KitFile): Promise<void> {
  const cannot = 'The kit file can be read, but what it says of its drums cannot be worked with.'
  if (!(await workThrough(session, [file], cannot))) return
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
  const { taken } = await session.newHere(file.kit, file.events)
  const coming = known || taken.length ? renumbered(session, waiting, waiting.name) : waiting
  take(session, coming, { removes: coming.kit })
  await sayTaken(
    session,
    taken.length
      ? `Imported ${waiting.name} under numbers of its own: another kit here has entries of the same numbers.`
      : `Imported ${waiting.name}.`,
  )
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
  session.watchClock(waiting.kit)
}

/** Says what came in once it is kept: where it cannot be, the banner says that. */
async function sayTaken(session: Session, text: string): Promise<void> {
  if (await session.safe()) session.notify(text, { undo: true })
}

/** The same kit under new ids, so that both can stand side by side. */
function renumbered(session: Session, waiting: WaitingImport, name: string): WaitingImport {
  const kit = session.deps.newId()
  const ids = new Map(waiting.events.map((event) => [event.id, session.deps.newId()]))
  const events = waiting.events.map((event): HumbraEvent => {
    const copy = { ...event, id: ids.get(event.id)!, kit }
    if (copy.kind === 'withdrawn') return { ...copy, event: ids.get(copy.event) ?? copy.event }
    if (copy.kind === 'findingCleared') return { ...copy, noted: ids.get(copy.noted) ?? copy.noted }
    // A film without a name of its own is known by the event that fitted it.
    if ((copy.kind === 'headFitted' || copy.kind === 'filmNoted') && copy.film !== undefined)
      return { ...copy, film: ids.get(copy.film) ?? copy.film }
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
  if (how === 'merge') {
    const { fresh, taken } = await session.newHere(waiting.kit, waiting.events)
    if (taken.length)
      return session.notify(
        `${waiting.name} cannot be merged: ${taken.length} of its entries have numbers that another kit here has. Nothing was changed. Keep both instead.`,
        { tone: 'caution', details: `id ${taken[0]}` },
      )
    take(session, { ...waiting, events: fresh })
    return sayTaken(session, `Imported ${waiting.name}.`)
  }
  const copy = renumbered(session, waiting, how === 'both' ? `${waiting.name} (file)` : waiting.name)
  session.together(`the import of ${copy.name}`, () => {
    if (how === 'replace')
      session.append([
        {
          ...{ kind: 'kitEdited', change: { what: 'kitRemoved' }, source: 'hand', algorithm: null },
          kit: waiting.kit,
        },
      ])
    take(session, copy, { removes: copy.kit })
  })
  return sayTaken(session, `Imported ${copy.name}.`)
}

const LARGEST_BYTES = 100 * 1024 * 1024

/** Reads a chosen kit file; what cannot be read comes back as a sentence. */
async function readChosenKit(
  file: File,
  read: (text: string) => Promise<KitFileResult>,
): Promise<KitFileResult> {
  if (file.size > LARGEST_BYTES)
    return { ok: false, why: 'The file is larger than 100 MB: no kit file. Nothing was changed.' }
  return read(await file.text())
}

/** Hands the kit to the browser to save. */
function saveKit(file: KitFile, name: string): void {
  saveBlob(kitBlob(file, 'application/json'), fileName(name, 'humbra.json'))
}

/** A kit file as it is written. */
const kitBlob = (file: KitFile, type: string) => new Blob([writeKitFile(file)], { type })
