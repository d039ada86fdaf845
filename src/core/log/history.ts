import { lugAngle } from '../head/harmonics'
import { observed, type Gaussian } from '../numeric/gaussian'
import type { Source } from '../records/event'
import { CENTS_PER_NEPER } from '../units/pitch'
import type { Pass, Sitting } from './sittings'

/**
 * A sitting in short, for a history that goes back years: what its readings say by themselves, without any estimate. The newest
 * sittings are kept whole beside it (`headLog`).
 */
export interface PastSitting {
  from: string
  to: string
  /** Which film was on: an id of the box, or of the event that fitted it; null for the one that was on first. */
  film: string | null
  /** As the head was found, before anything was turned; null where nothing was read by then. */
  found: Reading | null
  /** As it was left, by readings behind the last turns; null where it was turned last. */
  left: Reading | null
  /** Net turns of the sitting by rod, lug 1 first; null where nothing was turned. */
  turns: number[] | null
  presses: number
  by: Source | null
  /** Who worked in it and where, each once; left out where no entry says. */
  who?: readonly Worker[]
  /** Dial readings as found and as left, lug 1 first, null where none was taken; left out where no gauge was used. */
  dials?: { found: Dials | null; left: Dials | null }
  /** An ear heard its lugs against each other. */
  byEar?: true
}

/** A person by name, a device by its id, as far as entries say. */
export interface Worker {
  by: string | null
  device: string | null
}

type Dials = ReadonlyArray<number | null>

/** Readings of one pass as mean and second harmonic: cents, lug 1 first. */
export interface Reading {
  hz: number
  errorCents: number
  cosineCents: number
  sineCents: number
  waveErrorCents: number
  /** Lugs that were read; 0 for one number for the whole head. */
  lugs: number
}

/** Before anything was read a head is uneven by about this, in cents (a judgement). */
const USUAL_WAVE = 12
/** No lug is read better than this, in cents: what the two patterns leave out. */
const LEAST_ERROR = 1.5

/** Least squares of mean and second harmonic over the lugs that were read, with the usual unevenness for those that were not. */
function readingOf(pass: Pass, lugs: number): Reading | null {
  const all = [...pass.readings.values()].filter(({ lug }) => lug <= lugs)
  if (all.length === 0) {
    if (!pass.whole) return null
    const { hz, errorCents } = pass.whole
    return {
      ...{ hz, errorCents: Math.max(LEAST_ERROR, errorCents), cosineCents: 0, sineCents: 0 },
      ...{ waveErrorCents: USUAL_WAVE, lugs: 0 },
    }
  }
  const reference = all[0].hz
  let fit: Gaussian = {
    x: new Float64Array(3),
    p: Float64Array.from([1e6, 0, 0, 0, USUAL_WAVE ** 2, 0, 0, 0, USUAL_WAVE ** 2]),
  }
  for (const { lug, hz, standardErrorHz } of all) {
    const angle = lugAngle(lug - 1, lugs)
    const error = Math.max(LEAST_ERROR, (CENTS_PER_NEPER * standardErrorHz) / hz)
    const cents = CENTS_PER_NEPER * Math.log(hz / reference)
    fit = observed(fit, [1, Math.cos(2 * angle), Math.sin(2 * angle)], cents, error ** 2)
  }
  const sd = (at: number) => Math.sqrt(Math.max(0, fit.p[at * 4]))
  return {
    hz: reference * Math.exp(fit.x[0] / CENTS_PER_NEPER),
    ...{ errorCents: sd(0), cosineCents: fit.x[1], sineCents: fit.x[2] },
    ...{ waveErrorCents: Math.max(sd(1), sd(2)), lugs: all.length },
  }
}

/** Who did these entries and where, each once, in the order of their first ones. */
export function workersOf(
  events: ReadonlyArray<{ by?: string | undefined; device?: string | undefined }>,
): Worker[] {
  const all = new Map<string, Worker>()
  for (const { by = null, device = null } of events)
    if (by !== null || device !== null) all.set(JSON.stringify([by, device]), { by, device })
  return [...all.values()]
}

/** A sitting in short. @param by where its readings came from @param who who did its entries */
export function pastSitting(
  sitting: Sitting,
  lugs: number,
  film: string | null,
  by: Source | null,
  who: readonly Worker[] = [],
): PastSitting {
  const { passes, startedAt: from, endedAt: to } = sitting
  const turned = passes.filter(isTurned)
  const [read, dialled] = [passes.filter(isPitched), passes.filter(({ dials }) => dials.size > 0)]
  const ends = (of: readonly Pass[]) => ({
    found: of.length && !passes.slice(0, passes.indexOf(of[0])).some(isTurned) ? of[0] : null,
    left: of.length && !passes.slice(passes.indexOf(of.at(-1)!)).some(isTurned) ? of.at(-1)! : null,
  })
  const [pitch, dial] = [ends(read), ends(dialled)]
  const dialsOf = (pass: Pass | null) =>
    pass && Array.from({ length: lugs }, (_, i) => pass.dials.get(i + 1) ?? null)
  return {
    ...{ from, to, film, by },
    ...(who.length ? { who } : {}),
    found: pitch.found && readingOf(pitch.found, lugs),
    left: pitch.left && readingOf(pitch.left, lugs),
    turns: turned.length
      ? Array.from({ length: lugs }, (_, i) => turned.reduce((sum, pass) => sum + (pass.turns![i] ?? 0), 0))
      : null,
    presses: passes.filter(({ pressed }) => pressed).length + (sitting.pressedAfter ? 1 : 0),
    ...(passes.some(({ ear }) => ear.size > 0) ? { byEar: true as const } : {}),
    ...(dialled.length ? { dials: { found: dialsOf(dial.found), left: dialsOf(dial.left) } } : {}),
  }
}

const isTurned = ({ turns }: Pass) => turns?.some((turn) => turn !== 0) === true
const isPitched = ({ readings, whole }: Pass) => readings.size > 0 || whole !== null

/** Net turn of all rods together: the mean over the lugs; 0 where nothing was turned. */
export const meanTurn = ({ turns }: Pick<PastSitting, 'turns'>): number =>
  turns ? turns.reduce((sum, turn) => sum + turn, 0) / turns.length : 0
