import { writeFile } from 'node:fs/promises'
import type { Hoop } from '@/core/membrane/turnLaw'
import type { PracticeHead, Truth } from '@/core/practice/model'
import { idealNature } from '@/core/practice/nature'
import { playTap, STANDING_SPOT, type PlayedTap } from '@/core/practice/tap'
import { encodeWav } from '@/core/sound/wav'
import { STANDARD_THREAD_MM } from '@/core/units/turns'
import { numberOption, readOptions, unwritable, usage, writeLine } from './options'

const HELP = `humbra tap --out FILE.wav [options]

Writes a WAV of a tap on the practice drum and prints its truth: settled pitches.
  --diameter 14 --depth 6.5 --lugs 8 --batter-hz 234 --resonant-hz 300
  --at lug:3|centre      where it is struck
  --side batter|resonant --other free|muted --finger centre|none --mic with-tap|standing
  --plies 10 or 7,7      mils --hoop triple-flanged|single-flanged|die-cast|wood
  --rods 0.05,-0.02,...  turns away from an even pull on the tapped head
  --noise-db -50         rms against the tap's peak
  --rate 48000 --seed 1
  --lead 0.35 --seconds 1.6   silence before the stroke, and length of the file
`

const NAMES = [
  ...[
    'diameter',
    'depth',
    'lugs',
    'batter-hz',
    'resonant-hz',
    'at',
    'out',
    'side',
    'other',
    'finger',
    'mic',
    'plies',
  ],
  ...['hoop', 'rods', 'noise-db', 'rate', 'seed', 'lead', 'seconds'],
]
const HOOPS: readonly string[] = ['die-cast', 'triple-flanged', 'single-flanged', 'wood']
/** Film of the head that is not tapped, where only one was given: a plain 10 mil ply. */
const OTHER_PLIES = [10]

type Values = Record<string, string | boolean | undefined>

export async function tapCommand(args: string[]): Promise<number> {
  const read = readOptions(args, NAMES, HELP)
  if (typeof read === 'number') return read
  const played = playedBy(read.values)
  if (typeof played === 'string') return usage(played, HELP)
  const out = read.values.out
  if (typeof out !== 'string') return usage('say where to write with --out FILE.wav', HELP)
  try {
    await writeFile(out, encodeWav(played.samples, played.rateHz))
  } catch (error) {
    writeLine({ error: { where: out, what: `cannot be written: ${unwritable(error)}` } })
    return 1
  }
  writeLine(truthRecord(played))
  return 0
}

function choice(values: Values, name: string, allowed: readonly string[]): string | { wrong: string } {
  const value = values[name]
  if (value === undefined) return allowed[0]
  return typeof value === 'string' && allowed.includes(value)
    ? value
    : { wrong: `--${name} takes ${allowed.join(' or ')}, not "${String(value)}"` }
}

/** The tap that the command's options ask for, or what is wrong with them. */
export function playedBy(values: Values): PlayedTap | string {
  const numbers = {
    diameter: numberOption(values.diameter, 'diameter', 5, 40, 14),
    depth: numberOption(values.depth, 'depth', 1, 60, 6.5),
    lugs: numberOption(values.lugs, 'lugs', 3, 24, 8),
    batter: numberOption(values['batter-hz'], 'batter-hz', 20, 1000, 234),
    resonant: numberOption(values['resonant-hz'], 'resonant-hz', 20, 1000, 300),
    rate: numberOption(values.rate, 'rate', 8000, 192_000, 48_000),
    seed: numberOption(values.seed, 'seed', -2147483648, 2147483647, 1),
    lead: numberOption(values.lead, 'lead', 0, 30, 0.35),
    seconds: numberOption(values.seconds, 'seconds', 0.2, 120, 1.6),
    noise: numberOption(values['noise-db'], 'noise-db', -120, 20, -Infinity),
  }
  const wrong = Object.values(numbers).find((value) => typeof value === 'string')
  if (typeof wrong === 'string') return wrong
  const n = numbers as Record<keyof typeof numbers, number>
  const side = choice(values, 'side', ['batter', 'resonant'])
  const other = choice(values, 'other', ['muted', 'free'])
  const finger = choice(values, 'finger', ['centre', 'none'])
  const mic = choice(values, 'mic', ['with-tap', 'standing'])
  const hoop = choice(values, 'hoop', [
    'triple-flanged',
    ...HOOPS.filter((name) => name !== 'triple-flanged'),
  ])
  for (const option of [side, other, finger, mic, hoop]) if (typeof option !== 'string') return option.wrong
  if (!Number.isInteger(n.lugs) || !Number.isInteger(n.rate)) return '--lugs and --rate take whole numbers'
  const centre = values.at === 'centre'
  const lug = centre ? null : Number(/^lug:(\d+)$/.exec(String(values.at ?? 'lug:1'))?.[1] ?? 0)
  if (lug !== null && (lug < 1 || lug > n.lugs)) return `--at takes lug:1 to lug:${n.lugs}, or centre`
  const rods = listOption(values.rods, n.lugs)
  if (typeof rods === 'string') return rods
  const plies = String(values.plies ?? '10')
    .split(/[,+]/)
    .map(Number)
  if (plies.some((mils) => !(mils > 0))) return '--plies takes thicknesses in mils: 10, or 7,7'

  const tapped = side === 'batter' ? n.batter : n.resonant
  const untapped = side === 'batter' ? n.resonant : n.batter
  const head: PracticeHead = {
    diameterInches: n.diameter,
    depthInches: n.depth,
    lugs: n.lugs,
    hoop: hoop as Hoop,
    threadPitchMm: STANDARD_THREAD_MM,
    pliesMils: plies,
    evenHz: tapped,
    rods,
    nature: idealNature(n.lugs),
    other: { pliesMils: OTHER_PLIES, lugHz: untapped, muted: other === 'muted' },
  }
  return playTap(head, {
    lug: lug ?? 'centre',
    ...(mic === 'standing' ? { standing: STANDING_SPOT } : {}),
    rateHz: n.rate,
    seed: n.seed,
    noiseDb: Number.isFinite(n.noise) ? n.noise : null,
    finger: finger === 'centre' && !centre,
    leadSeconds: n.lead,
    seconds: n.seconds,
  })
}

function listOption(value: string | boolean | undefined, lugs: number): number[] | string {
  if (value === undefined) return new Array<number>(lugs).fill(0)
  const list = String(value).split(',').map(Number)
  if (list.length !== lugs || list.some((turn) => !Number.isFinite(turn))) {
    return `--rods takes ${lugs} turns with commas between, got "${String(value)}"`
  }
  return list
}

const digits = (value: number, places: number) => Number(value.toFixed(places))

function truthRecord({ truth, modes }: PlayedTap) {
  const lugMode: Truth['modes'][number] = truth.modes.find((mode) => mode.m === 1 && mode.n === 1)!
  return {
    lugHz: truth.lugHz.map((hz) => digits(hz, 3)),
    poles: lugMode.poles.map((pole) => ({ hz: digits(pole.hz, 3), axisTurns: digits(pole.axisTurns, 4) })),
    modes: modes.map((mode) => ({
      m: mode.m,
      n: mode.n,
      hz: digits(mode.hz, 3),
      decaySeconds: digits(mode.decaySeconds, 4),
      levelDb: digits(mode.levelDb, 1),
    })),
  }
}
