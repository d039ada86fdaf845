import { strToU8, zipSync } from 'fflate'
import { liveEvents } from '@/core/log/order'
import { fileName, saveBlob } from '@/files/save'
import { logCsv, readingsCsv, targetsCsv } from '@/text/csv'
import type { Session } from '../session'

export type TableOut = 'readings' | 'sheets' | 'log'

/** A table of this kit as CSV: its readings, the targets of all its sheets, or everything that was done. */
export async function tableOut(session: Session, what: TableOut): Promise<void> {
  const kit = session.kit()
  if (!kit) return
  const { a4Hz } = session.get().settings
  const log = await session.wholeLog(kit.id)
  const text =
    what === 'readings'
      ? readingsCsv(kit, log)
      : what === 'log'
        ? logCsv(kit, log)
        : targetsCsv(kit, kit.sheets, a4Hz)
  saveBlob(new Blob([text], { type: 'text/csv' }), fileName(`${kit.name} ${what}`, 'csv'))
}

/** Sounds of this kit's taps as WAV files in one ZIP, each named by its time, drum, head and lug. */
export async function soundsOut(session: Session): Promise<void> {
  const kit = session.kit()
  const takes = kit && (await session.takes()?.ofKit(kit.id))
  if (!kit || !takes?.length)
    return session.notify(
      'No sounds of taps are kept with this kit. Settings can keep them from the next tap on.',
      { tone: 'caution' },
    )
  const names = new Map(kit.drums.map(({ id, name }) => [id, name]))
  const readings = new Map(
    liveEvents(await session.wholeLog(kit.id)).flatMap((event) =>
      event.kind === 'readingTaken' ? [[event.id, event] as const] : [],
    ),
  )
  const files: Record<string, Uint8Array> = {}
  for (const { reading, wav } of takes) {
    const event = readings.get(reading)
    const name = event
      ? `${event.at.replace(/[:.]/g, '-')} ${names.get(event.drum) ?? 'drum'} ${event.side} lug ${event.lug} ${event.hz.toFixed(1)} Hz`
      : `dropped ${reading}`
    files[`${name}.wav`] = wav
  }
  files['readme.txt'] = strToU8(`Taps of ${kit.name}. Times are UTC. Each sound is 16 bit mono WAV.\r\n`)
  // Only put together: sound does not become smaller.
  const zipped = zipSync(files, { level: 0 }) as Uint8Array<ArrayBuffer>
  saveBlob(new Blob([zipped], { type: 'application/zip' }), fileName(`${kit.name} taps`, 'zip'))
}
