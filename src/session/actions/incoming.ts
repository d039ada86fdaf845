import { isBackup } from '@/core/records/plain'
import { isTable } from '@/text/table'
import type { Session } from '../session'
import { importKit } from './files'
import { readFile } from './recording'

const SOUND = /\.(wav|flac|ogg|oga|opus|mp3|m4a|aac|aif|aiff|aifc|webm)$/i
const TEXT = /\.(csv|tsv|txt)$/i
const LARGEST_TEXT_BYTES = 2_000_000
/** As many drums as a kit may have, a heading and some empty lines. */
const MOST_ROWS = 100

/** What files that came in led to: the Bench has something to show where sounds were read. */
export interface TakenIn {
  sounds: number
}

/**
 * Takes in files from wherever they came, dropped, chosen or shared, one after the other: kits and backups, recordings for the
 * head on the Bench, tables to be looked at, a logger's weather. What is none of these is named, and the rest is taken all the same.
 */
export async function takeIn(session: Session, files: readonly File[]): Promise<TakenIn> {
  let sounds = 0
  const strange: string[] = []
  for (const file of files) {
    if (file.type.startsWith('audio/') || SOUND.test(file.name)) {
      if (!session.kit()?.drums.length) {
        session.notify(`${file.name} is a recording: make your kit first, then it can be read.`, {
          tone: 'caution',
        })
        continue
      }
      await readFile(session, file)
      sounds++
    } else if (await isJson(file)) await takeJson(session, file)
    else if ((file.type.startsWith('text/') || TEXT.test(file.name)) && file.size < LARGEST_TEXT_BYTES) {
      const text = await file.text()
      const isWeather = session.kit() !== null && (await import('@/text/weatherTable')).readWeather(text).ok
      if (isWeather) (await import('./diary')).weatherFromTable(session, text, null)
      else if (!takeTable(session, text)) strange.push(file.name)
    } else strange.push(file.name)
    await decided(session)
  }
  if (strange.length)
    session.notify(
      `${strange.join(', ')}: no kit, no recording, no weather and no table of drums and pitches. Nothing was changed by ${strange.length === 1 ? 'it' : 'them'}.`,
      { tone: 'caution' },
    )
  return { sounds }
}

/** By what it begins with: a file may have lost its name on the way. */
const isJson = async (file: File) => /^\s*\{/.test(await file.slice(0, 40).text())

/** A text that was pasted or came in a file, where it is a table: it waits to be looked at. */
export function takeTable(session: Session, text: string): boolean {
  const rows = text.trim().split(/\r?\n/).length
  if (rows > MOST_ROWS && /[\t;,]/.test(text)) {
    session.notify(
      `That table has ${rows} rows; one of drums and pitches has at most ${MOST_ROWS}. Nothing was made of it.`,
      { tone: 'caution' },
    )
    return true
  }
  const { a4Hz, noteNames } = session.get().settings
  if (!isTable(text, a4Hz, noteNames)) return false
  session.set({ waitingTable: text })
  return true
}

async function takeJson(session: Session, file: File): Promise<void> {
  let raw: unknown = null
  try {
    raw = JSON.parse(await file.text())
  } catch {
    // The kit's own reader says it in a sentence.
  }
  if (isBackup(raw)) await (await import('./backup')).bringBack(session, raw)
  else await importKit(session, file)
}

/** Until what waits for a decision is decided: the next file must not push it aside. */
function decided(session: Session): Promise<void> {
  const waits = () => session.get().waitingImport !== null || session.get().waitingTable !== null
  if (!waits()) return Promise.resolve()
  return new Promise((resolve) => {
    const stop = session.subscribe(() => {
      if (waits()) return
      stop()
      resolve()
    })
  })
}
