import FFT from 'fft.js'
import { PitchDetector } from 'pitchy'
import { YIN } from 'pitchfinder'
import { measureSound } from '@/core/measurement/measure'
import { boundCents } from '../reference/bound'
import { makeNotATap, NOT_A_TAP } from '../reference/notTaps'
import { makeTake, type Take } from '../reference/takes'
import { median, printTable, quantile } from './stats'

/** A reader of pitch: what it makes of a take, null where it says nothing. */
interface Reader {
  name: string
  read(take: Take): { hz: number; errorHz?: number; poles?: number[] } | null
}

const TAKES = 520
const WRONG_MODE_CENTS = 60
/** Baselines get the tail after the click, and look half an octave round what is expected, as the ear may. */
const FROM_SECONDS = 0.05
const WINDOW = 16_384
const REACH = 2 ** 0.5

function windowOf(take: Take): Float32Array {
  const from = Math.round((take.strokeSeconds + FROM_SECONDS) * take.rateHz)
  const window = new Float32Array(WINDOW)
  window.set(take.samples.subarray(from, from + WINDOW))
  return window
}

const ear: Reader = {
  name: 'Humbra',
  read(take) {
    const taps = measureSound(take.samples, take.rateHz, {
      expectHz: take.expectHz,
      expectCents: 250,
      mic: take.mic,
    })
    const tap = taps.find((each) => Math.abs(each.atSeconds - take.strokeSeconds) < 0.03)
    return tap?.hz
      ? { hz: tap.hz, errorHz: tap.standardErrorHz!, poles: tap.poles.map(({ hz }) => hz) }
      : null
  },
}

const fft = new FFT(4 * WINDOW)

/** The highest peak of a Hann-windowed, zero-padded spectrum, with a parabola through its logarithms. */
const peak: Reader = {
  name: 'FFT peak (fft.js)',
  read(take) {
    const window = windowOf(take)
    const input = new Float64Array(4 * WINDOW)
    window.forEach((x, i) => (input[i] = x * (0.5 - 0.5 * Math.cos((2 * Math.PI * i) / WINDOW))))
    const spectrum = fft.createComplexArray() as number[]
    fft.realTransform(spectrum, input as unknown as number[])
    const power = (k: number) => Math.log(spectrum[2 * k] ** 2 + spectrum[2 * k + 1] ** 2 + 1e-30)
    const bin = take.rateHz / (4 * WINDOW)
    let best = Math.ceil(take.expectHz / REACH / bin)
    for (let k = best; k < (take.expectHz * REACH) / bin; k++) if (power(k) > power(best)) best = k
    const [a, b, c] = [power(best - 1), power(best), power(best + 1)]
    return { hz: (best + (0.5 * (a - c)) / (a - 2 * b + c)) * bin }
  },
}

const mcLeod = PitchDetector.forFloat32Array(WINDOW)
const pitchy: Reader = {
  name: 'pitchy',
  read(take) {
    const [hz, clarity] = mcLeod.findPitch(windowOf(take), take.rateHz)
    return hz > 0 && clarity > 0.5 ? { hz } : null
  },
}

const yin = YIN({ sampleRate: 48_000, threshold: 0.3 })
const pitchfinder: Reader = {
  name: 'pitchfinder YIN',
  read(take) {
    const hz = yin(windowOf(take).subarray(0, 8192))
    return hz ? { hz } : null
  },
}

const bounds = new Map<Take, number>()

/** The bound takes longest: worked out once a take. */
function boundOf(take: Take): number {
  const known = bounds.get(take) ?? boundCents(take)
  bounds.set(take, known)
  return known
}

/** Errors of the ear and of general-purpose readers on the same seeded takes, and against the Cramer-Rao bound. */
export function benchHearing(): void {
  const takes = Array.from({ length: TAKES }, (_, i) => makeTake({ seed: 5000 + i }))
  const groups: Array<[string, Take[]]> = [
    ['20 to 60 dB', takes.filter((take) => take.snrDb >= 20)],
    ['0 to 20 dB', takes.filter((take) => take.snrDb < 20)],
    ['no pair, 20 dB up', takes.filter((take) => take.snrDb >= 20 && take.poles.length === 1)],
    ['pairs, 20 dB up', takes.filter((take) => take.snrDb >= 20 && take.poles.length === 2)],
    ['standing, 20 dB up', takes.filter((take) => take.snrDb >= 20 && take.mic === 'standing')],
    ['neighbour, 20 dB up', takes.filter((take) => take.snrDb >= 20 && take.neighbour)],
    ['clean, one pole, 20 to 60 dB', clean(false)],
    ['clean, pairs, 20 to 60 dB', clean(true)],
  ]
  const rows = groups.flatMap(([name, group]) =>
    [ear, peak, pitchy, pitchfinder].map((reader) => row(name, group, reader)),
  )
  printTable(
    `${TAKES} seeded takes: error in cents of accepted takes on the right mode`,
    [
      'takes',
      'n',
      'reader',
      'right mode',
      'refused',
      'median',
      '95%',
      'worst',
      '× bound',
      'in 95% claim',
      'pairs named',
    ],
    rows,
  )
  const strangers = NOT_A_TAP.map((kind) => {
    const seeds = Array.from({ length: 100 }, (_, i) => i + 1)
    const named = seeds.filter((seed) => {
      const { samples, rateHz } = makeNotATap(kind, seed)
      return measureSound(samples, rateHz).some((tap) => tap.verdict === 'ok')
    })
    return [kind, '100', String(named.length)]
  })
  printTable('Made sounds that are no taps', ['kind', 'files', 'named as a tap'], strangers)
}

function clean(pair: boolean): Take[] {
  return Array.from({ length: 120 }, (_, i) =>
    makeTake({ seed: 9000 + i, snrDb: [20, 60], clean: true, pair }),
  )
}

function row(name: string, takes: Take[], reader: Reader): string[] {
  const heard = takes.flatMap((take) => {
    const found = reader.read(take)
    return found ? [{ take, found, cents: 1200 * Math.log2(found.hz / take.readingHz) }] : []
  })
  const right = heard.filter(({ cents }) => Math.abs(cents) < WRONG_MODE_CENTS)
  const errors = right.map(({ cents }) => Math.abs(cents))
  const claimed = right.filter(({ found }) => found.errorHz)
  const covered = claimed.filter(
    ({ found, cents }) => Math.abs(cents) < (1.96 * 1731.23 * found.errorHz!) / found.hz,
  )
  const pairs = right.filter(
    ({ take, found }) =>
      found.poles &&
      take.splitWidths >= 1 &&
      Math.abs(take.poles[1].amplitude) > 0.05 * Math.abs(take.poles[0].amplitude),
  )
  const named = pairs.filter(({ take, found }) => {
    const apart = Math.abs(take.poles[0].hz - take.poles[1].hz)
    return (
      found.poles!.length === 2 &&
      found.poles!.every((hz) => take.poles.some((pole) => Math.abs(pole.hz - hz) < 0.3 * apart))
    )
  })
  // The median of |error| / bound over that of a normal law: an rms that single takes cannot carry away.
  const ratio = median(right.map(({ take, cents }) => Math.abs(cents) / boundOf(take))) / 0.6745
  return [
    name,
    String(takes.length),
    reader.name,
    `${((100 * right.length) / Math.max(1, heard.length)).toFixed(1)}%`,
    `${((100 * (takes.length - heard.length)) / takes.length).toFixed(1)}%`,
    median(errors).toFixed(3),
    quantile(errors, 0.95).toFixed(2),
    Math.max(...errors).toFixed(1),
    ratio.toFixed(2),
    claimed.length ? `${((100 * covered.length) / claimed.length).toFixed(0)}%` : '',
    pairs.length ? `${named.length} of ${pairs.length}` : '',
  ]
}
