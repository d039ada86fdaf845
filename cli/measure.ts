import { readFile } from 'node:fs/promises'
import { decodeSound } from '@/audio/decodeSound'
import { measureSound } from '@/core/measurement/measure'
import { parseMeasureQuery, type MeasureQuery } from '@/core/records/measure'
import { toMono } from '@/core/sound/wav'
import { tapRecord } from '@/text/tapRecord'
import { readOptions, usage, writeLine } from './options'

const HELP = `humbra measure FILE ...

One line of JSON for every tap found, in time order. Reads WAV, FLAC and AIFF.
  --expect HZ            a pitch to stay near
  --band LO-HI           only pitches in this band, in Hz
  --diameter INCHES      size of the head
  --side batter|resonant
  --tap lug|centre       where it was struck; the centre adds glide and ring
  --a4 HZ                pitch of A4, 440 unless said
`

export async function measureCommand(args: string[]): Promise<number> {
  const read = readOptions(args, ['expect', 'band', 'diameter', 'side', 'tap', 'a4'], HELP)
  if (typeof read === 'number') return read
  const query = parseMeasureQuery(read.values)
  if (!query.ok) return usage(`--${query.problem.where}: ${query.problem.what}`, HELP)
  if (read.positionals.length === 0) return usage('name at least one sound file', HELP)
  let refused = false
  for (const file of read.positionals) {
    const lines = await measureFile(file, query.value)
    refused ||= lines.some((line) => 'error' in line)
    lines.forEach(writeLine)
  }
  return refused ? 1 : 0
}

async function measureFile(file: string, { options, a4Hz }: MeasureQuery): Promise<object[]> {
  let bytes: Uint8Array
  try {
    bytes = await readFile(file)
  } catch {
    return [{ error: { where: file, what: 'there is no such file, or it may not be read' } }]
  }
  const read = await decodeSound(bytes)
  if (!read.ok) return [{ error: { where: file, what: read.why } }]
  return measureSound(toMono(read.sound), read.sound.rateHz, options).map((tap) => ({
    file,
    ...tapRecord(tap, a4Hz),
  }))
}
