import { execFileSync } from 'node:child_process'
import { readFileSync } from 'node:fs'

const HEADER_BYTES = 44

export interface Walk {
  wav: Buffer
  /** True lug pitches. */
  lugHz: number[]
}

/** A walk around a practice head as one recording: every lug tapped in turn, in room noise, made by the `tap` command. */
export function walkAround(
  path: string,
  {
    order,
    args,
    seconds,
    lead,
    before = 0,
  }: { order: number[]; args: string[]; seconds: number; lead: number; before?: number },
): Walk {
  const bodies: Buffer[] = []
  let header = Buffer.alloc(0)
  let lugHz: number[] = []
  order.forEach((lug, i) => {
    const out = execFileSync('node', [
      ...['cli/run.mjs', 'tap', ...args, '--at', `lug:${lug}`, '--seed', String(i + 1)],
      // A microphone takes a while to open: `before` is more quiet in front of the first stroke.
      ...[
        '--seconds',
        String(seconds + (i === 0 ? before : 0)),
        '--lead',
        String(lead + (i === 0 ? before : 0)),
        '--rate',
        '44100',
        '--out',
        path,
      ],
    ])
    lugHz = (JSON.parse(out.toString()) as { lugHz: number[] }).lugHz
    const file = readFileSync(path)
    header = file.subarray(0, HEADER_BYTES)
    bodies.push(file.subarray(HEADER_BYTES))
  })
  const body = Buffer.concat(bodies)
  const wav = Buffer.concat([header, body])
  wav.writeUInt32LE(HEADER_BYTES - 8 + body.length, 4)
  wav.writeUInt32LE(body.length, 40)
  return { wav, lugHz }
}

export const centsApart = (a: number, b: number) => Math.abs(1200 * Math.log2(a / b))
