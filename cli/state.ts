import { kitsFromLog } from '@/core/log/kitLog'
import { readFile } from 'node:fs/promises'
import { drumReports, headReports, kitReport } from '@/core/runs/reports'
import { NO_DIAL } from '@/core/status/inputs'
import { readKitFile } from '@/core/records/kitFile'
import type { Side } from '@/core/records/kit'
import { evenAnswerRecord } from '@/text/evenAnswer'
import { readOptions, usage, writeLine } from './options'

const HELP = `humbra state FILE.humbra.json

What the app would say of a kit, from its file: one line of JSON a head, one a drum, one for the kit.
  --drum ID
  --side batter|resonant
  --at ISO               what was known and believed then; now unless said
  --sheet NAME           held against this sheet
`

export async function stateCommand(args: string[]): Promise<number> {
  const read = readOptions(args, ['drum', 'side', 'at', 'sheet'], HELP)
  if (typeof read === 'number') return read
  const { drum, side, at, sheet } = read.values as Record<string, string | undefined>
  const [file] = read.positionals
  if (read.positionals.length !== 1) return usage('name one kit file', HELP)
  if (side !== undefined && side !== 'batter' && side !== 'resonant')
    return usage(`--side is batter or resonant, not "${side}"`, HELP)
  const nowMs = at === undefined ? Date.now() : Date.parse(at)
  if (Number.isNaN(nowMs)) return usage(`--at takes a time such as 2026-11-02T18:40:00Z, not "${at}"`, HELP)
  const refuse = (where: string, what: string) => {
    writeLine({ error: { where, what } })
    return 1
  }
  let text: string
  try {
    text = await readFile(file, 'utf8')
  } catch {
    return refuse(file, 'there is no such file, or it may not be read')
  }
  const kitFile = readKitFile(text)
  if (!kitFile.ok) return refuse(file, kitFile.why)
  const events = kitFile.file.events.filter((event) => Date.parse(event.at) <= nowMs)
  const kit = kitsFromLog(events).find(({ id }) => id === kitFile.file.kit)
  if (!kit) return refuse('--at', 'the kit did not exist yet at that time')
  if (drum !== undefined && !kit.drums.some(({ id }) => id === drum))
    return refuse('--drum', `no drum ${drum}: there are ${kit.drums.map(({ id }) => id).join(', ')}`)
  const chosen = sheet === undefined ? kit.sheet : kit.sheets.find(({ name }) => name === sheet)?.id
  if (chosen === undefined)
    return refuse('--sheet', `no sheet ${sheet}: there are ${kit.sheets.map(({ name }) => name).join(', ')}`)
  const options = { ...(drum === undefined ? {} : { drum }), ...(side ? { side: side as Side } : {}) }
  const here = { kit: { ...kit, sheet: chosen }, practice: kit.simulated, nowMs, gauge: NO_DIAL }
  for (const report of headReports(here, options))
    writeLine({
      ...report,
      even: report.even && evenAnswerRecord(report.even, report.status.offCents === null),
    })
  if (side === undefined) for (const report of drumReports(here, options)) writeLine(report)
  if (side === undefined && drum === undefined) writeLine(kitReport(here))
  return 0
}
