import { readFile } from 'node:fs/promises'
import { measureSound } from '@/core/measurement/measure'
import type { MeasureOptions } from '@/core/measurement/types'
import { decodeWav, toMono } from '@/core/sound/wav'
import { A4_HIGHEST_HZ, A4_LOWEST_HZ, STANDARD_A4_HZ } from '@/core/units/pitch'
import { tapRecord } from '@/text/tapRecord'
import { numberOption, readOptions, usage, writeLine } from './options'

const HELP = `humbra measure FILE.wav ...

One line of JSON for every tap found, in time order.
  --expect HZ            a pitch to stay near
  --band LO-HI           only pitches in this band, in Hz
  --diameter INCHES      size of the head
  --side batter|resonant
  --tap lug              where it was struck (centre taps are not read yet)
  --a4 HZ                pitch of A4, 440 unless said
`

interface Call {
  options: MeasureOptions
  a4Hz: number
}

export async function measureCommand(args: string[]): Promise<number> {
  const read = readOptions(args, ['expect', 'band', 'diameter', 'side', 'tap', 'a4'], HELP)
  if (typeof read === 'number') return read
  const call = callFrom(read.values)
  if (typeof call === 'string') return usage(call, HELP)
  if (read.positionals.length === 0) return usage('name at least one WAV file', HELP)
  let refused = false
  for (const file of read.positionals) {
    const result = await measureFile(file, call)
    refused ||= result.some((line) => 'error' in line)
    result.forEach(writeLine)
  }
  return refused ? 1 : 0
}

function callFrom(values: Record<string, string | boolean | undefined>): Call | string {
  const expectHz = numberOption(values.expect, 'expect', 15, 2000, 0)
  const diameterInches = numberOption(values.diameter, 'diameter', 5, 40, 0)
  const a4Hz = numberOption(values.a4, 'a4', A4_LOWEST_HZ, A4_HIGHEST_HZ, STANDARD_A4_HZ)
  for (const option of [expectHz, diameterInches, a4Hz]) if (typeof option === 'string') return option
  const { side, tap, band } = values
  if (side !== undefined && side !== 'batter' && side !== 'resonant') return '--side takes batter or resonant'
  if (tap === 'centre') return '--tap centre cannot be read yet: lug taps only'
  if (tap !== undefined && tap !== 'lug') return '--tap takes lug'
  const bandHz = band === undefined ? undefined : bandFrom(String(band))
  if (bandHz === null) return '--band takes two pitches in Hz, low first: 180-260'
  return {
    a4Hz: a4Hz as number,
    options: {
      ...(expectHz ? { expectHz: expectHz as number } : {}),
      ...(diameterInches ? { diameterInches: diameterInches as number } : {}),
      ...(bandHz ? { bandHz } : {}),
      ...(side ? { side } : {}),
    },
  }
}

function bandFrom(text: string): [number, number] | null {
  const match = /^(\d+(?:\.\d+)?)-(\d+(?:\.\d+)?)$/.exec(text)
  if (!match) return null
  const [low, high] = [Number(match[1]), Number(match[2])]
  return low < high ? [low, high] : null
}

async function measureFile(file: string, { options, a4Hz }: Call): Promise<object[]> {
  let bytes: Uint8Array
  try {
    bytes = await readFile(file)
  } catch {
    return [{ error: { where: file, what: 'there is no such file, or it may not be read' } }]
  }
  const wav = decodeWav(bytes)
  if (!wav.ok) return [{ error: { where: file, what: wav.why } }]
  return measureSound(toMono(wav.sound), wav.sound.rateHz, options).map((tap) => ({ file, ...tapRecord(tap, a4Hz) }))
}
