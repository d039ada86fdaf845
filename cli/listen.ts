import { readFile } from 'node:fs/promises'
import { decodeSound } from '@/audio/decodeSound'
import { toMono } from '@/core/sound/wav'
import { hearRecording } from '@/session/hearRecording'
import { numberOption, readOptions, usage, writeLine } from './options'

const HELP = `humbra listen FILE

The Bench's own hands-free session on a recording (WAV, FLAC or AIFF), one line of JSON an event, with the stream's time, and a last line
with the lugs as the strip would show them.
  --diameter INCHES      size of the head (12)
  --lugs N               (6)
  --side batter|resonant
  --expect HZ            the head's target
  --order around|pairs   in which order the lugs are struck
  --confirm --rods A,B   a move of these rods is open, and waits to be ticked off by two taps
  --block N              samples a block (128); the answer does not depend on it
`

const digits = (value: number, places: number) => Number(value.toFixed(places))

export async function listenCommand(args: string[]): Promise<number> {
  const read = readOptions(args, ['diameter', 'lugs', 'side', 'expect', 'order', 'block', 'rods'], HELP, [
    'confirm',
  ])
  if (typeof read === 'number') return read
  const { side = 'batter', order = 'around' } = read.values
  const number = (name: string, low: number, high: number, fallback: number) =>
    numberOption(read.values[name], name, low, high, fallback)
  const numbers = {
    diameterInches: number('diameter', 6, 30, 12),
    lugs: number('lugs', 4, 20, 6),
    block: number('block', 1, 1e6, 128),
    expectHz: read.values.expect === undefined ? null : number('expect', 20, 1000, 0),
  }
  const wrong = Object.values(numbers).find((value) => typeof value === 'string')
  if (wrong) return usage(wrong, HELP)
  if (side !== 'batter' && side !== 'resonant')
    return usage(`--side is batter or resonant, not "${side}"`, HELP)
  if (order !== 'around' && order !== 'pairs')
    return usage(`--order is around or pairs, not "${order}"`, HELP)
  const rods = (read.values.rods as string | undefined)?.split(',').map(Number)
  if (rods?.some((rod) => !Number.isInteger(rod) || rod < 1 || rod > (numbers.lugs as number)))
    return usage(`--rods takes rod numbers from 1 to ${String(numbers.lugs)}, such as 1,4`, HELP)
  if (read.values.confirm && !rods) return usage('--confirm wants --rods: which move waits', HELP)
  const [file] = read.positionals
  if (read.positionals.length !== 1) return usage('name one sound file', HELP)
  let bytes: Uint8Array
  try {
    bytes = await readFile(file)
  } catch {
    writeLine({ error: { where: file, what: 'there is no such file, or it may not be read' } })
    return 1
  }
  const sound = await decodeSound(bytes)
  if (!sound.ok) {
    writeLine({ error: { where: file, what: sound.why } })
    return 1
  }
  const options = {
    ...(numbers as Record<keyof typeof numbers, number>),
    expectHz: numbers.expectHz as number | null,
    side,
    order,
    ...(read.values.confirm ? { rods } : {}),
  }
  const end = await hearRecording(
    toMono(sound.sound),
    sound.sound.rateHz,
    options as Parameters<typeof hearRecording>[2],
    (event) =>
      writeLine({
        ...event,
        at: digits(event.at, 3),
        heardAt: digits(event.heardAt, 3),
        ...(event.event === 'reading'
          ? { hz: digits(event.hz, 2), standardErrorHz: digits(event.standardErrorHz, 3) }
          : {}),
      }),
  )
  writeLine({ event: 'end', lugs: end.lugs.map((hz) => hz && digits(hz, 2)), leftOut: end.leftOut })
  return 0
}
